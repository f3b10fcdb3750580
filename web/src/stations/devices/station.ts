import type { Station } from '../station'

export default {
  name: 'Devices',
  path: '/devices',
  key: 'v',
  help: 'sensors and scales, and their checks',
  onPhone: 'more',
  aside: true,
  routes: [
    {
      path: '/devices',
      component: () => import('./DevicesStation.vue'),
      meta: { title: 'Devices', how: 'air' },
    },
  ],
} satisfies Station
