import type { Routes } from '@angular/router';
import { PlanRoom } from './plan-room';

/** The sheets of the plan, each loaded when it is opened. */
export const PLAN_ROUTES: Routes = [
  {
    path: '',
    component: PlanRoom,
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'board' },
      {
        path: 'board',
        title: 'Plan · Tug Mark',
        loadComponent: () => import('./plan-page').then((m) => m.PlanPage),
      },
      {
        path: 'queue',
        title: 'At each bench · Tug Mark',
        loadComponent: () => import('./queue-page').then((m) => m.QueuePage),
      },
      {
        path: 'went',
        title: 'As it went · Tug Mark',
        loadComponent: () => import('./went-page').then((m) => m.WentPage),
      },
      {
        path: 'cut',
        title: 'To cut and pick · Tug Mark',
        loadComponent: () => import('./cut-page').then((m) => m.CutPage),
      },
      {
        path: 'stock',
        title: 'Stock · Tug Mark',
        loadComponent: () => import('./stock-page').then((m) => m.StockPage),
      },
      {
        path: 'testing',
        title: 'What testing costs · Tug Mark',
        loadComponent: () => import('./testing-page').then((m) => m.TestingPage),
      },
      {
        path: 'floor',
        title: 'Benches and hours · Tug Mark',
        loadComponent: () => import('./floor-page').then((m) => m.FloorPage),
      },
    ],
  },
];
