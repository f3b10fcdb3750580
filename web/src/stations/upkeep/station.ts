import type { Station } from '../station'

export default {
  name: 'Upkeep',
  path: '/upkeep',
  key: 'u',
  help: 'what is due on machines and plates, and what was done',
  onPhone: 'more',
  pages: [
    {
      name: 'What runs out',
      path: '/upkeep/supplies',
      key: 'g',
      help: 'filament against jobs and usual use, desiccant, adhesives, nozzles; what to order',
    },
  ],
  routes: [
    {
      path: '/upkeep/supplies',
      component: () => import('./SuppliesPage.vue'),
      meta: { title: 'What runs out', how: 'upkeep' },
    },
    {
      path: '/upkeep',
      component: () => import('./UpkeepStation.vue'),
      meta: { title: 'Upkeep', how: 'upkeep' },
    },
    {
      path: '/upkeep/flatness',
      component: () => import('./FlatnessPage.vue'),
      meta: { title: 'Flatness of a plate', how: 'upkeep' },
    },
    {
      path: '/upkeep/printer/:id(\\d+)',
      component: () => import('./TimelinePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'What changed', how: 'upkeep' },
    },
  ],
} satisfies Station
