import { createRouter, createWebHistory } from 'vue-router';
import { beginUrgent } from './drawing/urgent';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'home', component: () => import('./screens/HomeScreen.vue') },
    {
      path: '/effects/:id/:stage(place|style|behave|try|release)?',
      name: 'atelier',
      component: () => import('./screens/AtelierScreen.vue'),
      props: (route) => ({ id: String(route.params.id), stage: String(route.params.stage || 'place') }),
    },
    { path: '/stock', name: 'stock', component: () => import('./screens/StockScreen.vue') },
    { path: '/takes', name: 'takes', component: () => import('./screens/TakesScreen.vue') },
    {
      path: '/takes/new',
      name: 'new-take',
      component: () => import('./screens/TakeEditorScreen.vue'),
      props: (route) => ({ from: String(route.query.from ?? ''), id: null }),
    },
    {
      path: '/takes/:id',
      name: 'take',
      component: () => import('./screens/TakeEditorScreen.vue'),
      props: (route) => ({ from: '', id: String(route.params.id) }),
    },
    { path: '/:rest(.*)*', name: 'lost', component: () => import('./screens/LostScreen.vue') },
  ],
});

/** A screen that is on its way is waited for. */
let arrive = (): void => {};
router.beforeEach(() => {
  arrive();
  arrive = beginUrgent();
});
router.afterEach(() => arrive());
router.onError(() => arrive());
