import type { Station } from '../station'

export default {
  name: 'What was done',
  path: '/acts',
  key: 'a',
  help: 'every entry, to be undone or redone',
  onPhone: 'more',
  aside: true,
  pages: [
    {
      name: 'Space and backups',
      path: '/space',
      key: 'z',
      help: 'what takes room, when it goes, backups',
    },
  ],
  routes: [
    {
      path: '/space',
      component: () => import('./SpacePage.vue'),
      meta: { title: 'Space and backups' },
    },
    {
      path: '/acts',
      component: () => import('./ActsPage.vue'),
      meta: { title: 'What was done' },
    },
  ],
} satisfies Station
