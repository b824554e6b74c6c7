import type { Type } from '@angular/core';
import type { Route, Routes } from '@angular/router';
import { studioState } from '../state/studio-state';
import { Shell } from './shell';
import type { Located, PartAddress } from './stages';
import { fullName, OPEN_PLACES, PARTS } from './stages';

type Page = () => Promise<Type<unknown>>;

/** One page for Track and for Mix. */
const consoles: Page = () => import('../stages/consoles/consoles-page').then((m) => m.ConsolesPage);
const CONSOLES = ['track/consoles', 'mix/consoles'] as const;

/** The page of every part; each comes when it is first looked at. */
const PAGES: Readonly<Record<PartAddress, Page>> = {
  'rig/devices': () => import('../stages/rig/devices/devices-page').then((m) => m.DevicesPage),
  'rig/wiring': () => import('../stages/rig/wiring/wiring-page').then((m) => m.WiringPage),
  'rig/cords': () => import('../stages/rig/cords/cords-page').then((m) => m.CordsPage),
  'rig/check': () => import('../stages/rig/check/check-page').then((m) => m.CheckPage),
  'rig/tables': () => import('../stages/rig/tables/tables-page').then((m) => m.TablesPage),
  'track/inputs': () => import('../stages/track/input-list/input-list').then((m) => m.InputList),
  'track/consoles': consoles,
  'track/cues': () => import('../stages/cues/cues-page').then((m) => m.CuesPage),
  'track/playback': () => import('../stages/playback/playback-page').then((m) => m.PlaybackPage),
  'track/takes': () => import('../stages/takes/takes-page').then((m) => m.TakesPage),
  'mix/consoles': consoles,
  'mix/inserts': () => import('../stages/mix/inserts/inserts-page').then((m) => m.InsertsPage),
  'mix/summing': () => import('../stages/mix/summing/summing-page').then((m) => m.SummingPage),
  'mix/tracks': () => import('../stages/mix/tracks/tracks-page').then((m) => m.TracksPage),
  bay: () => import('../at-the-bay/bay/bay-page').then((m) => m.BayPage),
  'patch-list': () => import('../at-the-bay/patch-list/patch-list-page').then((m) => m.PatchListPage),
  'work-list': () => import('../at-the-bay/work-list/work-list-page').then((m) => m.WorkListPage),
  flow: () => import('../see/flow/flow-page').then((m) => m.FlowPage),
  'levels/ladder': () => import('../see/levels/ladder-page').then((m) => m.LadderPage),
  'levels/together': () => import('../see/levels/sums-page').then((m) => m.SumsPage),
  'levels/outboard': () => import('../see/levels/outboard-page').then((m) => m.OutboardPage),
  'levels/line-up': () => import('../see/levels/line-up-page').then((m) => m.LineUpPage),
  'time/meet': () => import('../see/time/parallel-paths-page').then((m) => m.ParallelPathsPage),
  'time/delays': () => import('../see/time/delays-page').then((m) => m.DelaysPage),
  'time/clock': () => import('../see/time/clock-page').then((m) => m.ClockPage),
  routing: () => import('../see/routing/routing-page').then((m) => m.RoutingPage),
  'sessions/list': () => import('../see/sessions/session-list-page').then((m) => m.SessionListPage),
  'sessions/templates': () => import('../see/sessions/templates-page').then((m) => m.TemplatesPage),
  'sessions/take-over': () => import('../see/sessions/take-over-page').then((m) => m.TakeOverPage),
  'scenes/list': () => import('../see/scenes/scene-list-page').then((m) => m.SceneListPage),
  'scenes/lines': () => import('../see/scenes/scene-lines-page').then((m) => m.SceneLinesPage),
  'scenes/compare': () => import('../see/scenes/compare-page').then((m) => m.ComparePage),
  findings: () => import('../see/findings/findings-page').then((m) => m.FindingsPage),
  history: () => import('../see/history/history-page').then((m) => m.HistoryPage),
};

/** Addresses of earlier versions: what people have kept leads where it led. */
const MOVED: Routes = [
  { path: 'daw', redirectTo: 'mix/tracks' },
  { path: 'device/:device', redirectTo: 'rig/devices/:device' },
];

const titled = (located: Located): string => `${fullName(located)} · Faithful Thread`;

const partRoutes = PARTS.map((located): Route => ({
  path: located.address,
  pathMatch: 'full',
  title: titled(located),
  loadComponent: PAGES[located.address],
  // A page that stands in two places is told in which.
  data: { part: located.address },
}));

/** A console by its address. */
const consoleRoutes = CONSOLES.map((part): Route => ({
  path: `${part}/:device`,
  title: 'Consoles · Faithful Thread',
  loadComponent: consoles,
  data: { part },
}));

/** A place that is more than one part leads to its first. */
const placeRoutes = OPEN_PLACES.flatMap(({ path, parts: [first] }): Route[] =>
  first === undefined || first.path === ''
    ? []
    : [{ path, pathMatch: 'full', redirectTo: `${path}/${first.path}` }],
);

/** Everything under a scene of a studio. */
export const studioRoutes: Routes = [
  {
    path: '',
    component: Shell,
    providers: studioState,
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'track/inputs' },
      ...placeRoutes,
      ...partRoutes,
      ...consoleRoutes,
      {
        path: 'rig/devices/:device',
        title: 'Device · Faithful Thread',
        loadComponent: () => import('../stages/rig/devices/device-page').then((m) => m.DevicePage),
      },
      ...MOVED,
    ],
  },
];
