import type { Station } from '../station'

export default {
  name: 'How it computes',
  path: '/how/moisture',
  key: 'h',
  help: 'equations, sources and limits behind the numbers',
  onPhone: 'more',
  aside: true,
  routes: [
    {
      path: '/how/:topic',
      component: () => import('./HowPage.vue'),
      props: true,
      meta: { title: 'How it computes' },
    },
  ],
} satisfies Station
