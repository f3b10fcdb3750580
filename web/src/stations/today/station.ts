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
      meta: { title: 'Today', how: 'plan' },
    },
    {
      path: '/wall',
      component: () => import('./TodayStation.vue'),
      props: { wall: true },
      meta: { title: 'Today', how: 'plan', wall: true },
    },
  ],
} satisfies Station
