import { createRouter, createWebHistory } from 'vue-router'
import ShelfStation from './stations/shelf/ShelfStation.vue'

declare module 'vue-router' {
  interface RouteMeta {
    title: string
    /** Shown alone, to be read from afar. */
    wall?: boolean
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/shelf' },
    { path: '/shelf', component: ShelfStation, meta: { title: 'Shelf' } },
    {
      path: '/list',
      component: () => import('./stations/shelf/SpoolList.vue'),
      meta: { title: 'All spools' },
    },
    {
      path: '/receive',
      component: () => import('./stations/receive/ReceiveStation.vue'),
      meta: { title: 'Receive' },
    },
    {
      path: '/spool/:code',
      component: () => import('./stations/spool/SpoolPage.vue'),
      props: true,
      meta: { title: 'Spool' },
    },
    {
      path: '/dry',
      component: () => import('./stations/dry/DryStation.vue'),
      meta: { title: 'Dry' },
    },
    {
      path: '/dry/:codes([^/]+\\+[^/]+)',
      component: () => import('./stations/dry/DryCharge.vue'),
      props: (route) => ({ codes: String(route.params.codes).split('+') }),
      meta: { title: 'Dry together' },
    },
    {
      path: '/dry/:code',
      component: () => import('./stations/dry/DryForecast.vue'),
      props: true,
      meta: { title: 'Dry' },
    },
    {
      path: '/today',
      component: () => import('./stations/today/TodayStation.vue'),
      meta: { title: 'Today' },
    },
    {
      path: '/wall',
      component: () => import('./stations/today/TodayStation.vue'),
      props: { wall: true },
      meta: { title: 'Today', wall: true },
    },
    {
      path: '/plan',
      component: () => import('./stations/plan/PlanPage.vue'),
      meta: { title: 'Plan' },
    },
    {
      path: '/cycle/:id',
      component: () => import('./stations/dry/CyclePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Cycle' },
    },
    {
      path: '/dryer/:id',
      component: () => import('./stations/dry/DryerPage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Dryer' },
    },
    {
      path: '/materials/:name?',
      component: () => import('./stations/materials/MaterialsStation.vue'),
      props: true,
      meta: { title: 'Materials' },
    },
    {
      path: '/place/:id',
      component: () => import('./stations/place/PlacePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Place' },
    },
    {
      path: '/lots',
      component: () => import('./stations/lots/LotsPage.vue'),
      meta: { title: 'Lots' },
    },
    {
      path: '/devices',
      component: () => import('./stations/devices/DevicesStation.vue'),
      meta: { title: 'Devices' },
    },
    {
      path: '/:rest(.*)*',
      component: () => import('./parts/NotHere.vue'),
      meta: { title: 'Not here' },
    },
  ],
})

router.afterEach((to) => {
  document.title = `${to.params.code ?? to.meta.title} · Mind Spool`
})
