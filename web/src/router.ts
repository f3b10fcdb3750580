import { createRouter, createWebHistory } from 'vue-router'
import { STATIONS } from './stations'

declare module 'vue-router' {
  interface RouteMeta {
    title: string
    /** Shows what is at the time that the slider is set to. */
    atTime?: boolean
    /** Shown alone, to be read from afar. */
    wall?: boolean
    /** The text that says how its numbers are computed. */
    how?: string
  }
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/shelf' },
    ...STATIONS.flatMap((station) => station.routes),
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
