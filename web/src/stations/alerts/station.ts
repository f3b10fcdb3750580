import type { Station } from '../station'

export default {
  name: 'Alerts',
  path: '/alerts',
  key: 'e',
  help: 'what needs a hand, and who is told of it',
  onPhone: 'more',
  aside: true,
  routes: [
    {
      path: '/alerts',
      component: () => import('./AlertsPage.vue'),
      meta: { title: 'Alerts' },
    },
  ],
} satisfies Station
