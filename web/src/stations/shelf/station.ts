import type { Station } from '../station'
import ShelfStation from './ShelfStation.vue'

export default {
  name: 'Shelf',
  path: '/shelf',
  key: 's',
  help: 'every spool where it lies, and how wet it is',
  onPhone: 'bar',
  pages: [
    { name: 'List', path: '/list', key: 'i', help: 'all spools in a list' },
    { name: 'Rounds', path: '/rounds', key: 'o', help: 'weigh, move and open one after another' },
    { name: 'Boxes', path: '/boxes', key: 'b', help: 'desiccant and hygrometers of all boxes' },
  ],
  keys: [
    { key: 'arrows', what: 'on the shelf: from spool to spool' },
    { key: 'Enter', what: 'open the spool in focus' },
    { key: 'm', what: 'move the spool in focus, or the one whose page is open' },
    { key: 'w', what: 'weigh the spool in focus, or the one whose page is open' },
  ],
  routes: [
    {
      path: '/shelf',
      component: ShelfStation,
      meta: { title: 'Shelf', how: 'moisture', atTime: true },
    },
    {
      path: '/list',
      component: () => import('./SpoolList.vue'),
      meta: { title: 'All spools', how: 'moisture', atTime: true },
    },
    {
      path: '/rounds',
      component: () => import('../rounds/RoundsPage.vue'),
      meta: { title: 'Rounds', how: 'moisture' },
    },
    {
      path: '/boxes',
      component: () => import('../rounds/BoxesPage.vue'),
      meta: { title: 'Boxes', how: 'storage' },
    },
    {
      path: '/spool/:code',
      component: () => import('../spool/SpoolPage.vue'),
      props: true,
      meta: { title: 'Spool', how: 'moisture', atTime: true },
    },
    {
      path: '/place/:id',
      component: () => import('../place/PlacePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Place', how: 'storage' },
    },
  ],
} satisfies Station
