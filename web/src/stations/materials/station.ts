import type { Station } from '../station'

export default {
  name: 'Materials',
  path: '/materials',
  key: 'm',
  help: 'every figure with its source',
  onPhone: 'more',
  routes: [
    {
      path: '/materials/:name?',
      component: () => import('./MaterialsStation.vue'),
      props: true,
      meta: { title: 'Materials', how: 'moisture' },
    },
  ],
} satisfies Station
