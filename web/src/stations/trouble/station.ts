import type { Station } from '../station'

export default {
  name: 'Trouble',
  path: '/trouble',
  key: 'x',
  help: 'find out what went wrong, and what would tell',
  onPhone: 'more',
  routes: [
    {
      path: '/trouble',
      component: () => import('./TroubleStation.vue'),
      meta: { title: 'Trouble', how: 'trouble' },
    },
    {
      path: '/trouble/:id(\\d+)',
      component: () => import('./CasePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Case', how: 'trouble' },
    },
  ],
} satisfies Station
