import type { Station } from '../station'

export default {
  name: 'Trouble',
  path: '/trouble',
  key: 'x',
  help: 'find out what went wrong, and what would tell',
  onPhone: 'more',
  pages: [
    {
      name: 'Lines',
      path: '/trouble/lines',
      key: 'n',
      help: 'lines on walls: the same twice, and how far apart',
    },
    {
      name: 'Step by step',
      path: '/trouble/steps',
      key: 'q',
      help: 'cold pull, screw, belts and other work with points at which to stop',
    },
    {
      name: 'Practise',
      path: '/trouble/practise',
      key: 'y',
      help: 'made-up cases to learn on',
    },
  ],
  routes: [
    {
      path: '/trouble/lines',
      component: () => import('./LinesPage.vue'),
      meta: { title: 'Lines on a wall', how: 'trouble' },
    },
    {
      path: '/trouble/practise',
      component: () => import('./PractisePage.vue'),
      meta: { title: 'Practise', how: 'trouble' },
    },
    {
      path: '/trouble/practise/drying',
      component: () => import('./DryingPractisePage.vue'),
      meta: { title: 'Practise drying', how: 'trouble' },
    },
    {
      path: '/trouble/steps',
      component: () => import('./ProceduresPage.vue'),
      meta: { title: 'Step by step', how: 'trouble' },
    },
    {
      path: '/trouble/steps/:id',
      component: () => import('./ProcedurePage.vue'),
      props: true,
      meta: { title: 'Step by step', how: 'trouble' },
    },
    {
      path: '/trouble',
      component: () => import('./TroubleStation.vue'),
      meta: { title: 'Trouble', how: 'trouble' },
    },
    {
      path: '/trouble/:id(\\d+)',
      component: () => import('./CasePage.vue'),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { title: 'Case', how: 'trouble' },
    },
  ],
} satisfies Station
