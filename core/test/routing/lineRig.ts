import type { Routing } from '@ft/core/routing/route';
import { route } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, studioOf } from '../fixtures/studioOf';
import { faultsOf } from './validRouting';

export type Devices = NonNullable<Parts['devices']>;
export type Wires = NonNullable<Parts['wires']>;

/** 1, 2, … */
export const to = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
export const mic = (id: string): Devices[number] => ({
  id,
  type: 'microphone',
  params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
});
/** The cords of a routing by their jacks. */
export const cordsIn = ({ cords }: Routing): readonly string[] =>
  cords.map(({ from, to: end }) => `${from} → ${end}`).sort();
export const outcomeOf = ({ outcomes }: Routing, thread: string): Routing['outcomes'][number] | undefined =>
  outcomes.find((each) => each.thread === thread);

/** Routes the first scene; whatever comes out must hold. */
export function routed(studio: Studio, options?: Parameters<typeof route>[3]): Routing {
  const { session, scene } = firstScene(studio);
  const routing = route(studio.rig, session, scene, options);
  expect(faultsOf(studio, routing)).toEqual([]);
  return routing;
}

/** Microphones on a panel, a line bay between preamps and converter, units on a bay of their own. */
export function studio(more: Parts & { readonly inputs?: number; readonly normalling?: string }): Studio {
  const { inputs = 4, normalling = 'half', devices = [], wires = [], ...rest } = more;
  return studioOf({
    ...rest,
    devices: [
      ...to(4).map((n) => mic(`mic-${String(n)}`)),
      { id: 'panel', type: 'wallPanel', params: { lines: 4 } },
      { id: 'preamp', type: 'micPreamp', params: { channels: 4 } },
      { id: 'line-bay', type: 'patchbay', params: { columns: 8, normalling } },
      { id: 'unit-bay', type: 'patchbay', params: { columns: 4, normalling: 'none' } },
      { id: 'opto', type: 'dynamics', params: { channels: 2 } },
      { id: 'converter', type: 'converter', params: { adcs: inputs, dacs: 4 } },
      { id: 'daw', type: 'dawHost', params: { inputs, outputs: 4 } },
      ...devices,
    ],
    wires: [
      ...to(4).flatMap((n): Wires => [
        [`panel/rear-${String(n)}/1`, `preamp/mic-${String(n)}/1`],
        [`preamp/out-${String(n)}/1`, `line-bay/upper-rear-${String(n)}/1`],
      ]),
      ...to(inputs).flatMap((n): Wires => [
        [`line-bay/lower-rear-${String(n)}/1`, `converter/line-in-1/${String(n)}`],
        [`converter/host-out/${String(n)}`, `daw/stream-in/${String(n)}`],
      ]),
      ...to(2).flatMap((n): Wires => [
        [`opto/out-${String(n)}/1`, `unit-bay/upper-rear-${String(n)}/1`],
        [`unit-bay/lower-rear-${String(n)}/1`, `opto/in-${String(n)}/1`],
      ]),
      ...wires,
    ],
  });
}

export const from = (n: number, more: object = {}): NonNullable<Parts['threads']>[number] => ({
  from: `mic-${String(n)}/out/1`,
  ...more,
});
