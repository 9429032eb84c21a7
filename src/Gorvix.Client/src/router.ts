import { createRouter, createWebHistory } from 'vue-router'

/** The address says which build, which screen and which cell; a link can be sent and Back works. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: () => import('./features/shelf/ShelfView.vue') },
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
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./LostView.vue') },
  ],
})
