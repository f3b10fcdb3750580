import type { Station } from '../station'

export default {
  name: 'Receive',
  path: '/receive',
  key: 'r',
  help: 'take spools into stock',
  onPhone: 'bar',
  pages: [{ name: 'Lots', path: '/lots', key: 'l', help: 'what is known of each delivery' }],
  routes: [
    {
      path: '/receive',
      component: () => import('./ReceiveStation.vue'),
      meta: { title: 'Receive', how: 'moisture' },
    },
    {
      path: '/lots',
      component: () => import('../lots/LotsPage.vue'),
      meta: { title: 'Lots', how: 'learning' },
    },
  ],
} satisfies Station
