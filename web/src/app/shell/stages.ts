import type { EntityRef } from '@ft/core/session/entityRef';

/** A part of a place: a tab with an address of its own. */
export interface Part {
  /** The last piece of its address; empty where the place has one part only and is that part. */
  readonly path: string;
  readonly name: string;
  /** What of a selection it has to do with: for anything else, chosen elsewhere, the strip stays one line. */
  readonly shows: readonly EntityRef['kind'][];
}

/** Where one can go: a stage of the work, or a page beside the stages. */
export interface Place {
  readonly path: string;
  readonly name: string;
  /** After `g`, the key that leads there. */
  readonly key: string;
  readonly icon: string;
  readonly group: 'stages' | 'at-the-bay' | 'see';
  /** A stage without parts has its place and its key, and is not shown yet. */
  readonly parts: readonly Part[];
}

/** What the groups of the rail are called; the stages need no heading. */
export const GROUPS = [
  { group: 'stages', name: '' },
  { group: 'at-the-bay', name: 'At the bay' },
  { group: 'see', name: 'See' },
] as const satisfies readonly { readonly group: Place['group']; readonly name: string }[];

const ANYTHING_WIRED = ['device', 'station', 'lane'] as const;

/** Everything one can go to, in the order of the work: routes, rail, tabs, finder, keys and groups of findings follow it. */
export const STAGES = [
  {
    path: 'rig',
    name: 'Rig',
    key: 'r',
    icon: 'hdd-rack',
    group: 'stages',
    parts: [
      { path: 'devices', name: 'Rooms and devices', shows: ANYTHING_WIRED },
      { path: 'wiring', name: 'Fixed wiring', shows: ['lane'] },
      { path: 'cords', name: 'Cords', shows: [] },
      { path: 'check', name: 'Rig check', shows: ANYTHING_WIRED },
      { path: 'tables', name: 'Tables', shows: [] },
    ],
  },
  {
    path: 'track',
    name: 'Track',
    key: 't',
    icon: 'mic',
    group: 'stages',
    parts: [
      { path: 'inputs', name: 'Input list', shows: ['thread', 'performer'] },
      { path: 'consoles', name: 'Consoles', shows: ANYTHING_WIRED },
      { path: 'cues', name: 'Cues', shows: ['thread', 'performer', 'cue', 'device'] },
      { path: 'playback', name: 'Playback check', shows: ['lane', 'device', 'track'] },
      { path: 'takes', name: 'Takes', shows: ['performer'] },
    ],
  },
  {
    path: 'mix',
    name: 'Mix',
    key: 'm',
    icon: 'sliders',
    group: 'stages',
    parts: [
      { path: 'tracks', name: 'Tracks', shows: ['track'] },
      { path: 'inserts', name: 'Inserts', shows: ['track', 'thread', 'station'] },
      { path: 'summing', name: 'Summing', shows: ['track', 'thread', 'station'] },
      { path: 'consoles', name: 'Consoles', shows: ANYTHING_WIRED },
    ],
  },
  { path: 'print', name: 'Print', key: 'p', icon: 'box-arrow-in-down', group: 'stages', parts: [] },
  { path: 'prove', name: 'Prove', key: 'v', icon: 'patch-check', group: 'stages', parts: [] },
  { path: 'recall', name: 'Recall', key: 'a', icon: 'arrow-repeat', group: 'stages', parts: [] },
  {
    path: 'bay',
    name: 'Bay',
    key: 'b',
    icon: 'grid-3x2-gap',
    group: 'at-the-bay',
    parts: [{ path: '', name: 'Bay', shows: ['cord', 'lane', 'thread'] }],
  },
  {
    path: 'patch-list',
    name: 'Patch list',
    key: 'c',
    icon: 'list-check',
    group: 'at-the-bay',
    parts: [{ path: '', name: 'Patch list', shows: ['cord'] }],
  },
  {
    path: 'work-list',
    name: 'Work list',
    key: 'w',
    icon: 'check2-square',
    group: 'at-the-bay',
    parts: [{ path: '', name: 'Work list', shows: ['cord'] }],
  },
  {
    path: 'flow',
    name: 'Flow',
    key: 'f',
    icon: 'diagram-3',
    group: 'see',
    parts: [{ path: '', name: 'Flow', shows: ['device'] }],
  },
  {
    path: 'levels',
    name: 'Levels',
    key: 'l',
    icon: 'bar-chart-steps',
    group: 'see',
    parts: [
      { path: 'ladder', name: 'Ladder', shows: ['thread'] },
      { path: 'together', name: 'All together', shows: ['lane'] },
      { path: 'outboard', name: 'Outboard', shows: ['station'] },
      { path: 'line-up', name: 'Line-up sheet', shows: ['lane'] },
    ],
  },
  {
    path: 'time',
    name: 'Time',
    key: 'i',
    icon: 'stopwatch',
    group: 'see',
    parts: [
      { path: 'meet', name: 'Ways that meet', shows: ['lane'] },
      { path: 'delays', name: 'Delays', shows: ['thread', 'performer'] },
      { path: 'clock', name: 'Clock', shows: ['device'] },
    ],
  },
  {
    path: 'routing',
    name: 'Routing',
    key: 'o',
    icon: 'signpost-split',
    group: 'see',
    parts: [{ path: '', name: 'Routing', shows: ['thread'] }],
  },
  {
    path: 'sessions',
    name: 'Sessions',
    key: 'e',
    icon: 'collection',
    group: 'see',
    parts: [
      { path: 'list', name: 'Sessions', shows: [] },
      { path: 'templates', name: 'Templates', shows: [] },
      { path: 'take-over', name: 'Take over', shows: [] },
    ],
  },
  {
    path: 'scenes',
    name: 'Scenes',
    key: 's',
    icon: 'layers',
    group: 'see',
    parts: [
      { path: 'list', name: 'Scenes', shows: [] },
      { path: 'lines', name: 'Lines in scenes', shows: ['thread'] },
      { path: 'compare', name: 'Compare', shows: [] },
    ],
  },
  {
    path: 'findings',
    name: 'Findings',
    key: 'n',
    icon: 'exclamation-triangle',
    group: 'see',
    parts: [{ path: '', name: 'Findings', shows: [] }],
  },
  {
    path: 'history',
    name: 'History',
    key: 'h',
    icon: 'clock-history',
    group: 'see',
    parts: [{ path: '', name: 'History', shows: [] }],
  },
] as const satisfies readonly Place[];

type Listed = (typeof STAGES)[number];
export type PlacePath = Listed['path'];

type AddressIn<P extends string, Q> = Q extends { readonly path: infer B extends string }
  ? B extends ''
    ? P
    : `${P}/${B}`
  : never;
type AddressOf<L> = L extends { readonly path: infer P extends string; readonly parts: readonly (infer Q)[] }
  ? AddressIn<P, Q>
  : never;

/** The address of a part under a scene: "levels/ladder", "bay". */
export type PartAddress = AddressOf<Listed>;

/** A part with its place and its address. */
export interface Located {
  readonly place: Place;
  readonly part: Part;
  readonly address: PartAddress;
}

const PLACES: readonly Place[] = STAGES;

/** The address of a part of a place. */
export const addressOf = (place: Place, part: Part): PartAddress =>
  (part.path === '' ? place.path : `${place.path}/${part.path}`) as PartAddress;

/** Every part there is, in order. */
export const PARTS: readonly Located[] = PLACES.flatMap((place) =>
  place.parts.map((part) => ({ place, part, address: addressOf(place, part) })),
);

/** The places that have something to show, in order. */
export const OPEN_PLACES: readonly Place[] = PLACES.filter(({ parts }) => parts.length > 0);

/** The part an address leads to, whatever follows it; of a place alone its first. */
export const partAt = (address: string): Located | undefined =>
  PARTS.find((each) => address === each.address || address.startsWith(`${each.address}/`)) ??
  PARTS.find(({ place }) => place.path === address);

/** The name of a stage or page, by its path. */
export const placeName = (path: PlacePath): string =>
  PLACES.find((place) => place.path === path)?.name ?? path;

/** What a part is called outside its place: "Levels, Ladder"; "Bay". */
export const fullName = ({ place, part }: Located): string =>
  part.path === '' ? place.name : `${place.name}, ${part.name}`;
