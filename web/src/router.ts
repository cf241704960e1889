import type { Component } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import ShelfView from './station/shelf/ShelfView.vue';
import { STATIONS } from './station/stations';

/** The stations' pages, loaded when they are opened. */
const PAGES: Readonly<Record<string, () => Promise<{ default: Component }>>> = {
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
        ...STATIONS.flatMap(s => {
          const component = PAGES[s.name];
          return component ? [{ path: s.name, name: s.name, component }] : [];
        }),
      ],
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
});
