import type { Routes } from '@angular/router';

export const routes: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Faithful Thread',
    loadComponent: () => import('./start/first-screen').then((m) => m.FirstScreen),
  },
  {
    path: 'sharing',
    title: 'Studio network · Faithful Thread',
    loadComponent: () => import('./start/sharing-page').then((m) => m.SharingPage),
  },
  {
    path: 'pair',
    title: 'Pair this tablet · Faithful Thread',
    loadComponent: () => import('./start/pair-page').then((m) => m.PairPage),
  },
  {
    path: 'health',
    title: 'Health · Faithful Thread',
    loadComponent: () => import('./start/health-page').then((m) => m.HealthPage),
  },
  {
    path: 'studio/:studio/:session/:scene',
    loadComponent: () => import('./shell/shell').then((m) => m.Shell),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'track' },
      {
        path: 'rig',
        title: 'Rig · Faithful Thread',
        loadComponent: () => import('./stages/rig/rig-page').then((m) => m.RigPage),
      },
      {
        path: 'device/:device',
        title: 'Device · Faithful Thread',
        loadComponent: () => import('./stages/rig/devices/device-page').then((m) => m.DevicePage),
      },
      {
        path: 'bay',
        title: 'Bay · Faithful Thread',
        loadComponent: () => import('./at-the-bay/bay/bay-page').then((m) => m.BayPage),
      },
      {
        path: 'flow',
        title: 'Flow · Faithful Thread',
        loadComponent: () => import('./see/flow/flow-page').then((m) => m.FlowPage),
      },
      {
        path: 'daw',
        title: 'DAW · Faithful Thread',
        loadComponent: () => import('./stages/mix/tracks/daw-page').then((m) => m.DawPage),
      },
      {
        path: 'track',
        title: 'Track · Faithful Thread',
        loadComponent: () => import('./stages/track/input-list/input-list').then((m) => m.InputList),
      },
      {
        path: 'patch-list',
        title: 'Patch list · Faithful Thread',
        loadComponent: () => import('./at-the-bay/patch-list/patch-list-page').then((m) => m.PatchListPage),
      },
      {
        path: 'routing',
        title: 'Routing · Faithful Thread',
        loadComponent: () => import('./see/routing/routing-page').then((m) => m.RoutingPage),
      },
      {
        path: 'work-list',
        title: 'Work list · Faithful Thread',
        loadComponent: () => import('./at-the-bay/work-list/work-list-page').then((m) => m.WorkListPage),
      },
      {
        path: 'scenes',
        title: 'Scenes · Faithful Thread',
        loadComponent: () => import('./see/scenes/scenes-page').then((m) => m.ScenesPage),
      },
      {
        path: 'levels',
        title: 'Levels · Faithful Thread',
        loadComponent: () => import('./see/levels/levels-page').then((m) => m.LevelsPage),
      },
      {
        path: 'time',
        title: 'Time · Faithful Thread',
        loadComponent: () => import('./see/time/time-page').then((m) => m.TimePage),
      },
      {
        path: 'findings',
        title: 'Findings · Faithful Thread',
        loadComponent: () => import('./see/findings/findings-page').then((m) => m.FindingsPage),
      },
      {
        path: 'history',
        title: 'History · Faithful Thread',
        loadComponent: () => import('./see/history/history-page').then((m) => m.HistoryPage),
      },
    ],
  },
  { path: '**', redirectTo: '' },
];
