import type { Routes, UrlMatchResult, UrlSegment } from '@angular/router';

/** 'cabinet', 'cabinet/<kind>' and 'cabinet/<kind>/<part>' are one page, so that a search survives opening a part. */
function cabinetMatcher(segments: UrlSegment[]): UrlMatchResult | null {
  const [first, kind, part] = segments;
  if (first?.path !== 'cabinet' || segments.length > 3) return null;
  return { consumed: segments, posParams: { ...(kind && { kindName: kind }), ...(part && { partName: part }) } };
}

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
      { path: 'cause', loadComponent: () => import('./diagnosis/cause-stage').then((m) => m.CauseStage) },
      { path: 'release', loadComponent: () => import('./lot/release-stage').then((m) => m.ReleaseStage) },
      { path: 'lot', loadComponent: () => import('./lot/lot-stage').then((m) => m.LotStage) },
    ],
  },
  {
    matcher: cabinetMatcher,
    title: 'Cabinet · Tug Mark',
    loadComponent: () => import('./cabinet/cabinet-page').then((m) => m.CabinetPage),
  },
  {
    path: 'finder',
    title: 'Finder · Tug Mark',
    loadComponent: () => import('./match/finder-page').then((m) => m.FinderPage),
  },
  {
    path: 'tools',
    title: 'Tools · Tug Mark',
    loadComponent: () => import('./tool/tools-page').then((m) => m.ToolsPage),
  },
  {
    path: 'gauges',
    title: 'Gauges · Tug Mark',
    loadComponent: () => import('./tug/gauge/gauges-page').then((m) => m.GaugesPage),
  },
  {
    path: 'practices',
    title: 'Practices · Tug Mark',
    loadComponent: () => import('./practice/practice-page').then((m) => m.PracticePage),
  },
  {
    path: 'sheets/:id',
    title: 'Set-up sheet · Tug Mark',
    loadComponent: () => import('./records/sheet-page').then((m) => m.SheetPage),
  },
  {
    path: 'limits',
    title: 'Limits · Tug Mark',
    loadComponent: () => import('./tug/limits-page').then((m) => m.LimitsPage),
  },
  {
    path: 'looks',
    title: 'Look sheets · Tug Mark',
    loadComponent: () => import('./look/looks-page').then((m) => m.LooksPage),
  },
  {
    path: 'photos/:id/:photoId',
    title: 'Photograph · Tug Mark',
    loadComponent: () => import('./look/photo-page').then((m) => m.PhotoPage),
  },
  {
    path: 'sections/:id/:photoId',
    title: 'Section · Tug Mark',
    loadComponent: () => import('./look/section-page').then((m) => m.SectionPage),
  },
  {
    path: 'studies',
    title: 'Studies · Tug Mark',
    loadComponent: () => import('./study/studies-page').then((m) => m.StudiesPage),
  },
  {
    path: 'studies/:id',
    title: 'Study · Tug Mark',
    loadComponent: () => import('./study/study-page').then((m) => m.StudyPage),
  },
  {
    path: 'charts',
    title: 'Charts · Tug Mark',
    loadComponent: () => import('./charts/charts-page').then((m) => m.ChartsPage),
  },
  {
    path: 'heights/:id',
    title: 'Crimp heights · Tug Mark',
    loadComponent: () => import('./charts/heights-page').then((m) => m.HeightsPage),
  },
  {
    path: 'curves/:id/:lot',
    title: 'Curves · Tug Mark',
    loadComponent: () => import('./records/curves-page').then((m) => m.CurvesPage),
  },
  {
    path: 'records',
    title: 'Records · Tug Mark',
    loadComponent: () => import('./records/record-list').then((m) => m.RecordList),
  },
  {
    path: 'records/elsewhere/:id',
    data: { isElsewhere: true },
    loadComponent: () => import('./records/record-page').then((m) => m.RecordPage),
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
