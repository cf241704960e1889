import type { Component } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import ShelfView from './station/shelf/ShelfView.vue';
import { type Open, STATIONS } from './station/stations';

/** The stations' pages, loaded when they are opened. */
const PAGES: Readonly<Record<Open, () => Promise<{ default: Component }>>> = {
  aims: () => import('./station/aims/AimsView.vue'),
  counts: () => import('./station/counts/CountsView.vue'),
  train: () => import('./station/train/TrainView.vue'),
  teeth: () => import('./station/teeth/TeethView.vue'),
  plan: () => import('./station/plan/PlanView.vue'),
  run: () => import('./station/run/RunView.vue'),
  make: () => import('./station/make/MakeView.vue'),
};

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'shelf', component: ShelfView },
    {
      path: '/machine/:id',
      component: () => import('./frame/MachineFrame.vue'),
      children: [
        { path: '', redirect: to => ({ name: 'aims', params: to.params }) },
        ...STATIONS.map(s => ({ path: s.name, name: s.name, component: PAGES[s.name] })),
      ],
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
});
