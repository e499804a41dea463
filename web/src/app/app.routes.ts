import type { Routes } from '@angular/router';

export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'bench' },
  {
    path: 'bench',
    title: 'Bench · Tug Mark',
    loadComponent: () => import('./bench/bench-list').then((m) => m.BenchList),
  },
  {
    path: 'bench/:id',
    title: 'Bench · Tug Mark',
    loadComponent: () => import('./bench/bench-page').then((m) => m.BenchPage),
    children: [
      {
        path: '',
        pathMatch: 'full',
        loadComponent: () => import('./bench/first-open-stage').then((m) => m.FirstOpenStage),
      },
      { path: 'match', loadComponent: () => import('./match/match-stage').then((m) => m.MatchStage) },
      { path: 'prepare', loadComponent: () => import('./prepare/prepare-stage').then((m) => m.PrepareStage) },
      { path: 'tool', loadComponent: () => import('./tool/tool-stage').then((m) => m.ToolStage) },
      { path: 'crimp', loadComponent: () => import('./crimp/crimp-stage').then((m) => m.CrimpStage) },
      { path: 'look', loadComponent: () => import('./look/look-stage').then((m) => m.LookStage) },
      { path: 'tug', loadComponent: () => import('./tug/tug-stage').then((m) => m.TugStage) },
    ],
  },
  {
    path: 'cabinet',
    title: 'Cabinet · Tug Mark',
    loadComponent: () => import('./cabinet/cabinet-page').then((m) => m.CabinetPage),
  },
  {
    path: 'limits',
    title: 'Limits · Tug Mark',
    loadComponent: () => import('./tug/limits-page').then((m) => m.LimitsPage),
  },
  {
    path: 'records',
    title: 'Records · Tug Mark',
    loadComponent: () => import('./records/record-list').then((m) => m.RecordList),
  },
  {
    path: 'records/:id',
    title: 'Record · Tug Mark',
    loadComponent: () => import('./records/record-page').then((m) => m.RecordPage),
  },
  {
    path: 'people',
    title: 'People · Tug Mark',
    loadComponent: () => import('./people/people-page').then((m) => m.PeoplePage),
  },
  { path: '**', redirectTo: 'bench' },
];
