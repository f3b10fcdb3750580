import type { Station } from '../station'

export default {
  name: 'What was done',
  path: '/acts',
  key: 'a',
  help: 'every entry, to be undone or redone',
  onPhone: 'more',
  aside: true,
  routes: [
    {
      path: '/acts',
      component: () => import('./ActsPage.vue'),
      meta: { title: 'What was done' },
    },
  ],
} satisfies Station
