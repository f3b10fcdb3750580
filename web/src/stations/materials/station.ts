import type { Station } from '../station'

export default {
  name: 'Materials',
  path: '/materials',
  key: 'm',
  help: 'every figure with its source',
  onPhone: 'more',
  pages: [
    {
      name: 'Worksheets',
      path: '/calibrations',
      key: 'f',
      help: 'temperature, flow, thickness, shrinkage, steps and melt ceiling from measurements',
    },
    {
      name: 'Compare',
      path: '/materials-compared',
      help: 'one material against another: water, warmth, warp, strength, price',
    },
  ],
  routes: [
    {
      path: '/calibrations',
      component: () => import('./CalibrationsPage.vue'),
      meta: { title: 'Worksheets', how: 'calibration' },
    },
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
