import type { Station } from '../station'

export default {
  name: 'Dry',
  path: '/dry',
  key: 'd',
  help: 'dryers, cycles, and how long a spool takes',
  onPhone: 'bar',
  pages: [{ name: 'Plan', path: '/plan', key: 'p', help: 'what is dried when, for which job' }],
  routes: [
    {
      path: '/dry',
      component: () => import('./DryStation.vue'),
      meta: { title: 'Dry', how: 'drying', atTime: true },
    },
    {
      path: '/dry/:codes([^/]+\\+[^/]+)',
      component: () => import('./DryLoad.vue'),
      props: (route) => ({ codes: String(route.params.codes).split('+') }),
      meta: { title: 'Dry together', how: 'drying' },
    },
    {
      path: '/dry/:code',
      component: () => import('./DryForecast.vue'),
      props: true,
      meta: { title: 'Dry', how: 'drying' },
    },
    {
      path: '/plan',
      component: () => import('../plan/PlanPage.vue'),
      meta: { title: 'Plan', how: 'plan' },
    },
    {
      path: '/cycle/:id',
      component: () => import('./CyclePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Cycle', how: 'drying' },
    },
    {
      path: '/dryer/:id',
      component: () => import('./DryerPage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Dryer', how: 'drying' },
    },
  ],
} satisfies Station
