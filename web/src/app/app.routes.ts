import type { Routes, UrlMatchResult, UrlSegment } from '@angular/router';

/** 'cabinet', 'cabinet/<kind>' and 'cabinet/<kind>/<part>' are one page, so that a search survives opening a part. */
function cabinetMatcher(segments: UrlSegment[]): UrlMatchResult | null {
  const [first, kind, part] = segments;
  if (first?.path !== 'cabinet' || segments.length > 3) return null;
  return { consumed: segments, posParams: { ...(kind && { kindName: kind }), ...(part && { partName: part }) } };
}

/** Addresses of before the shop was one room: people have them among their bookmarks. */
const MOVED = [
  ['cabinet', '/shop/cabinet'],
  ['cabinet/:kind', '/shop/cabinet/:kind'],
  ['cabinet/:kind/:part', '/shop/cabinet/:kind/:part'],
  ['finder', '/shop/finder'],
  ['tools', '/shop/tools'],
  ['gauges', '/shop/gauges'],
  ['limits', '/shop/limits'],
  ['looks', '/shop/inspection-points'],
  ['practices', '/shop/house-rules'],
  ['studies', '/shop/studies'],
  ['studies/:id', '/shop/studies/:id'],
  ['people', '/shop/people'],
] as const;

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
      {
        path: 'match',
        title: 'Match · Tug Mark',
        loadComponent: () => import('./match/match-stage').then((m) => m.MatchStage),
      },
      {
        path: 'prepare',
        title: 'Prepare · Tug Mark',
        loadComponent: () => import('./prepare/prepare-stage').then((m) => m.PrepareStage),
      },
      {
        path: 'tool',
        title: 'Tool · Tug Mark',
        loadComponent: () => import('./tool/tool-stage').then((m) => m.ToolStage),
      },
      {
        path: 'crimp',
        title: 'Crimp · Tug Mark',
        loadComponent: () => import('./crimp/crimp-stage').then((m) => m.CrimpStage),
      },
      {
        path: 'look',
        title: 'Look · Tug Mark',
        loadComponent: () => import('./look/look-stage').then((m) => m.LookStage),
      },
      { path: 'tug', title: 'Tug · Tug Mark', loadComponent: () => import('./tug/tug-stage').then((m) => m.TugStage) },
      {
        path: 'cause',
        title: 'Cause · Tug Mark',
        loadComponent: () => import('./diagnosis/cause-stage').then((m) => m.CauseStage),
      },
      {
        path: 'mating',
        title: 'Mating · Tug Mark',
        loadComponent: () => import('./mating/mating-stage').then((m) => m.MatingStage),
      },
      {
        path: 'release',
        title: 'Release · Tug Mark',
        loadComponent: () => import('./lot/release-stage').then((m) => m.ReleaseStage),
      },
      { path: 'lot', title: 'Lot · Tug Mark', loadComponent: () => import('./lot/lot-stage').then((m) => m.LotStage) },
    ],
  },
  {
    path: 'looms/:id',
    title: 'Both ends · Tug Mark',
    loadComponent: () => import('./bench/loom-page').then((m) => m.LoomPage),
  },
  {
    path: 'looms/:id/connectors',
    title: 'Connectors · Tug Mark',
    loadComponent: () => import('./cavities/connectors-page').then((m) => m.ConnectorsPage),
  },
  {
    path: 'sheets/:id',
    title: 'Set-up sheet · Tug Mark',
    loadComponent: () => import('./records/sheet-page').then((m) => m.SheetPage),
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
    path: 'lots',
    title: 'Lots · Tug Mark',
    loadComponent: () => import('./lot/lots-page').then((m) => m.LotsPage),
  },
  { path: 'plan', loadChildren: () => import('./plan/plan.routes').then((m) => m.PLAN_ROUTES) },
  {
    path: 'shop',
    loadComponent: () => import('./shop/shop-room').then((m) => m.ShopRoom),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'cabinet' },
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
        path: 'limits',
        title: 'Limits · Tug Mark',
        loadComponent: () => import('./tug/limits-page').then((m) => m.LimitsPage),
      },
      {
        path: 'inspection-points',
        title: 'Inspection points · Tug Mark',
        loadComponent: () => import('./look/looks-page').then((m) => m.LooksPage),
      },
      {
        path: 'house-rules',
        title: 'House rules · Tug Mark',
        loadComponent: () => import('./practice/practice-page').then((m) => m.PracticePage),
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
        path: 'glossary',
        title: 'What the words mean · Tug Mark',
        loadComponent: () => import('./glossary/glossary-page').then((m) => m.GlossaryPage),
      },
      {
        path: 'people',
        title: 'People · Tug Mark',
        loadComponent: () => import('./people/people-page').then((m) => m.PeoplePage),
      },
      {
        path: 'settings',
        title: 'This shop · Tug Mark',
        loadComponent: () => import('./shop/shop-page').then((m) => m.ShopPage),
      },
    ],
  },
  ...MOVED.map(([path, redirectTo]) => ({ path, redirectTo })),
  {
    path: 'password',
    title: 'Your password · Tug Mark',
    loadComponent: () => import('./shell/own-password').then((m) => m.OwnPassword),
  },
  { path: '**', redirectTo: 'bench' },
];
