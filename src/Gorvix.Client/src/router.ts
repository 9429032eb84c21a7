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

const one = (value: LocationQueryValue | LocationQueryValue[] | undefined) =>
  typeof value === 'string' ? value : null

/** Where one is in a list that is worked through. */
const placeIn = ({ query }: RouteLocationNormalized) => ({
  at: one(query.at),
  large: query.large === '1',
  open: query.open === '1',
})

// What a list's place was called in addresses of before 2026-12: a link that was sent then still leads there.
const renamed: Record<string, string> = { step: 'at', check: 'at', bench: 'large' }
export function today(to: Pick<RouteLocationNormalized, 'path' | 'query'>) {
  const query = Object.fromEntries(
    Object.entries(to.query).map(([name, value]) => [renamed[name] ?? name, value]),
  )
  return Object.keys(to.query).some((name) => name in renamed)
    ? { path: to.path, query, replace: true }
    : true
}

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
        from: one(route.query.from),
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
        from: one(route.query.from),
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
        take: one(route.query.take),
      }),
    },
    {
      path: '/builds/:id/rails',
      name: 'rails',
      component: () => import('./features/rails/RailsScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        at: one(route.query.at),
        cell: typeof route.query.cell === 'string' ? Number(route.query.cell) : null,
        lead: one(route.query.lead),
      }),
    },
    {
      path: '/builds/:id/loom',
      beforeEnter: today,
      name: 'loom',
      component: () => import('./features/loom/LoomScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        picture: route.query.view === 'picture',
        ...placeIn(route),
      }),
    },
    {
      path: '/builds/:id/settings',
      name: 'settings',
      component: () => import('./features/settings/SettingsScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        part: typeof route.query.part === 'string' ? route.query.part : 'sheet',
        ...placeIn(route),
      }),
    },
    {
      path: '/builds/:id/bench',
      beforeEnter: today,
      name: 'bench',
      component: () => import('./features/bench/BenchScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        ...placeIn(route),
      }),
    },
    {
      path: '/builds/:id/faults',
      name: 'faults',
      component: () => import('./features/faults/FaultScreen.vue'),
      props: (route) => ({
        id: String(route.params.id),
        test: one(route.query.test),
        cause: one(route.query.cause),
        words: one(route.query.say) ?? '',
        large: route.query.large === '1',
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
        build: one(route.query.build),
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
        link: one(route.query.link),
        port: one(route.query.port),
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
    {
      path: '/glossary',
      name: 'glossary',
      component: () => import('./features/glossary/GlossaryScreen.vue'),
      props: (route) => ({ term: one(route.query.term) }),
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
