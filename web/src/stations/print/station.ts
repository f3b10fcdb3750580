import type { Station } from '../station'

export default {
  name: 'Print',
  path: '/print',
  key: 'k',
  help: 'set a job up, check it, start it, say how it went',
  onPhone: 'bar',
  pages: [
    { name: 'Choose', path: '/print/choose', key: 'c', help: 'from a purpose to a material' },
    { name: 'Printers', path: '/print/machines', key: 'j', help: 'printers and build plates' },
  ],
  routes: [
    {
      path: '/print',
      component: () => import('./PrintStation.vue'),
      meta: { title: 'Print', how: 'printing' },
    },
    {
      path: '/print/machines',
      component: () => import('./MachinesPage.vue'),
      meta: { title: 'Printers and plates', how: 'printing' },
    },
    {
      path: '/print/choose',
      component: () => import('./ChoosePage.vue'),
      meta: { title: 'Choose a material', how: 'printing' },
    },
    {
      path: '/print/compare',
      component: () => import('./ComparePage.vue'),
      meta: { title: 'Sheets side by side', how: 'printing' },
    },
    {
      path: '/print/jobs/:id',
      component: () => import('./JobSheetPage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Setup sheet', how: 'printing' },
    },
    {
      path: '/print/runs/:id',
      component: () => import('./RunPage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Print', how: 'printing' },
    },
  ],
} satisfies Station
