import {
  createRouter,
  createWebHistory,
  type LocationQueryValue,
  type RouteLocationNormalized,
} from 'vue-router'
import { useBuild } from './stores/build'

/** A member of the address that may stand there several times. */
const listed = (value: LocationQueryValue | LocationQueryValue[] | undefined) =>
  [value ?? []].flat().filter((v): v is string => typeof v === 'string' && v !== '')

/** The address says which build, which screen and which cell; a link can be sent and Back works. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('./features/shelf/ShelfView.vue') },
    { path: '/new', name: 'new', component: () => import('./features/new/NewScreen.vue') },
    {
      path: '/library',
      name: 'library',
      component: () => import('./features/library/LibraryScreen.vue'),
    },
    {
      path: '/library/compare',
      name: 'compare',
      component: () => import('./features/library/CompareScreen.vue'),
      props: (route) => ({ board: listed(route.query.board), device: listed(route.query.device) }),
    },
    {
      path: '/library/boards/new',
      name: 'new-board',
      meta: { anew: true },
      component: () => import('./features/describe/BoardEditor.vue'),
      props: (route) => ({
        id: null,
        from: typeof route.query.from === 'string' ? route.query.from : null,
      }),
    },
    {
      path: '/library/boards/:id/change',
      name: 'change-board',
      meta: { anew: true },
      component: () => import('./features/describe/BoardEditor.vue'),
      props: (route) => ({ id: String(route.params.id), from: null }),
    },
    {
      path: '/library/devices/new',
      name: 'new-device',
      meta: { anew: true },
      component: () => import('./features/describe/DeviceEditor.vue'),
      props: (route) => ({
        id: null,
        from: typeof route.query.from === 'string' ? route.query.from : null,
      }),
    },
    {
      path: '/library/devices/:id/change',
      name: 'change-device',
      meta: { anew: true },
      component: () => import('./features/describe/DeviceEditor.vue'),
      props: (route) => ({ id: String(route.params.id), from: null }),
    },
    {
      path: '/library/:type(boards|devices)/:id',
      name: 'part',
      component: () => import('./features/library/PartScreen.vue'),
      props: true,
    },
    {
      path: '/builds/:id/parts',
      name: 'parts',
      component: () => import('./features/parts/PartsScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        take: typeof route.query.take === 'string' ? route.query.take : null,
      }),
    },
    {
      path: '/builds/:id/rails',
      name: 'rails',
      component: () => import('./features/rails/RailsScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        at: typeof route.query.at === 'string' ? route.query.at : null,
        cell: typeof route.query.cell === 'string' ? Number(route.query.cell) : null,
        lead: typeof route.query.lead === 'string' ? route.query.lead : null,
      }),
    },
    {
      path: '/builds/:id/loom',
      name: 'loom',
      component: () => import('./features/loom/LoomScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        step: typeof route.query.step === 'string' ? route.query.step : null,
        bench: route.query.bench === '1',
        open: route.query.open === '1',
      }),
    },
    {
      path: '/builds/:id/settings',
      name: 'settings',
      component: () => import('./features/settings/SettingsScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        part: typeof route.query.part === 'string' ? route.query.part : 'sheet',
        at: typeof route.query.at === 'string' ? route.query.at : null,
        open: route.query.open === '1',
      }),
    },
    {
      path: '/builds/:id/bench',
      name: 'bench',
      component: () => import('./features/bench/BenchScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        check: typeof route.query.check === 'string' ? route.query.check : null,
        large: route.query.large === '1',
        open: route.query.open === '1',
      }),
    },
    {
      path: '/builds/:id/faults',
      name: 'faults',
      component: () => import('./features/faults/FaultScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        test: typeof route.query.test === 'string' ? route.query.test : null,
        cause: typeof route.query.cause === 'string' ? route.query.cause : null,
        words: typeof route.query.say === 'string' ? route.query.say : '',
      }),
    },
    {
      path: '/builds/:id/log',
      name: 'log',
      component: () => import('./features/log/LogScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        from: Number(route.query.from) || null,
        to: Number(route.query.to) || null,
        kinds: String(route.query.kind ?? '').split(','),
      }),
    },
    {
      path: '/drill',
      name: 'drill',
      component: () => import('./features/drill/DrillScreen.vue'),
      props: (route) => ({
        build: typeof route.query.build === 'string' ? route.query.build : null,
      }),
    },
    {
      path: '/drill/evenings/:id',
      name: 'evening',
      component: () => import('./features/drill/EveningScreen.vue'),
      props: true,
    },
    {
      path: '/drill/:id',
      name: 'drill-play',
      component: () => import('./features/drill/DrillPlay.vue'),
      props: true,
    },
    { path: '/about', name: 'about', component: () => import('./features/about/AboutScreen.vue') },
    { path: '/club', name: 'club', component: () => import('./features/club/ClubScreen.vue') },
    {
      path: '/builds/:id/fit',
      name: 'fit',
      component: () => import('./features/fit/FitScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        link: typeof route.query.link === 'string' ? route.query.link : null,
        port: typeof route.query.port === 'string' ? route.query.port : null,
      }),
    },
    {
      path: '/builds/:id/sweep',
      name: 'sweep',
      meta: { anew: true },
      component: () => import('./features/sweep/SweepScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        device: typeof route.query.device === 'string' ? route.query.device : '',
        add: typeof route.query.add === 'string' ? route.query.add : '',
      }),
    },
    {
      path: '/take-in',
      name: 'take-in',
      component: () => import('./features/files/TakeInScreen.vue'),
    },
    {
      path: '/rules/:rule?',
      name: 'rules',
      component: () => import('./features/rules/RulesScreen.vue'),
      props: (route) => ({ rule: route.params.rule ? String(route.params.rule) : null }),
    },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./LostView.vue') },
  ],
})

// Whoever goes away from a build does not wait for it: what is still thought about is stopped.
router.afterEach((to, from) => {
  const build = (at: RouteLocationNormalized) =>
    at.path.startsWith('/builds/') ? at.params.id : null
  if (build(from) !== null && build(from) !== build(to)) useBuild().rest()
})
