import type { Station } from '../station'

export default {
  name: 'Materials',
  path: '/materials',
  key: 'm',
  help: 'every figure with its source',
  onPhone: 'more',
  pages: [
    {
      name: 'Compare',
      path: '/materials-compared',
      help: 'one material against another: water, warmth, warp, strength, price',
    },
  ],
  routes: [
    {
      path: '/materials-compared',
      component: () => import('./ComparePage.vue'),
      meta: { title: 'Materials compared', how: 'moisture' },
    },
    {
      path: '/materials/:name?',
      component: () => import('./MaterialsStation.vue'),
      props: true,
      meta: { title: 'Materials', how: 'moisture' },
    },
  ],
} satisfies Station
