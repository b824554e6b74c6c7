import type { Routes } from '@angular/router';

const START: Routes = [
  {
    path: '',
    pathMatch: 'full',
    title: 'Faithful Thread',
    loadComponent: () => import('./start/first-screen').then((m) => m.FirstScreen),
  },
  {
    path: 'begin',
    title: 'Begin a rig · Faithful Thread',
    loadComponent: () => import('./start/begin-page').then((m) => m.BeginPage),
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
];

export const routes: Routes = [
  ...START,
  // The state of a studio, and what it is checked with, come with the studio.
  {
    path: 'studio/:studio/:session/:scene',
    loadChildren: () => import('./shell/studio.routes').then((m) => m.studioRoutes),
  },
  { path: '**', redirectTo: '' },
];
