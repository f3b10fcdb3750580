import type { Station } from '../station'

export default {
  name: 'Today',
  path: '/today',
  key: 't',
  help: 'what is to be done, in order of time',
  onPhone: 'bar',
  routes: [
    {
      path: '/today',
      component: () => import('./TodayStation.vue'),
      meta: { title: 'Today' },
    },
    {
      path: '/wall',
      component: () => import('./TodayStation.vue'),
      props: { wall: true },
      meta: { title: 'Today', wall: true },
    },
  ],
} satisfies Station
