import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { BENCH_SESSION } from './benchSession';

export const CUES = 12;
export const SOURCES = 96;
const PAIRS_EACH = 4;
/** Local inputs of the console; the others come from a stagebox. */
const LOCAL = 64;

const upTo = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
const sides = ['left', 'right'] as const;
const microphone = (n: number): string => `mic-${String(n)}`;

function devices() {
  const room = { room: 'room' };
  return [
    ...upTo(SOURCES).map((n) => ({
      ...{ ...room, id: microphone(n), name: `Microphone ${String(n)}`, type: 'microphone' },
      params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
    })),
    {
      ...{ ...room, id: 'desk', name: 'Desk', type: 'digitalConsole' },
      params: { channels: SOURCES, micInputs: LOCAL, lineOutputs: 2 * CUES, auxes: 2 * CUES, cards: 1 },
    },
    {
      ...room,
      id: 'box',
      name: 'Stagebox',
      type: 'stagebox',
      params: { inputs: SOURCES - LOCAL, outputs: 0 },
    },
    { ...room, id: 'talk', name: 'Talkback', type: 'talkback', params: {} },
    ...upTo(CUES).flatMap((c) => [
      {
        ...room,
        id: `amp-${String(c)}`,
        name: `Amplifier ${String(c)}`,
        type: 'cueAmp',
        params: { outputs: 1 },
      },
      {
        ...{ ...room, id: `junction-${String(c)}`, name: `Junction ${String(c)}`, type: 'headphoneJunction' },
        params: { outputs: PAIRS_EACH },
      },
      ...upTo(PAIRS_EACH).map((p) => ({
        ...{ ...room, id: `phones-${String(c)}-${String(p)}`, type: 'headphones', params: {} },
        name: `Headphones ${String(c)} ${String(p)}`,
      })),
    ]),
  ];
}

function wires(): readonly (readonly [string, string])[] {
  return [
    ...upTo(SOURCES).map((n): [string, string] => [
      `${microphone(n)}/out/1`,
      n <= LOCAL ? `desk/mic-${String(n)}/1` : `box/mic-${String(n - LOCAL)}/1`,
    ]),
    ...upTo(SOURCES - LOCAL).map((n): [string, string] => [
      `box/madi-out-1/${String(n)}`,
      `desk/madi-in-1/${String(n)}`,
    ]),
    ['talk/out/1', 'desk/talkback/1'],
    ...upTo(CUES).flatMap((c): [string, string][] => [
      ...sides.flatMap((side, i): [string, string][] => [
        [`desk/out-${String(2 * c - 1 + i)}/1`, `amp-${String(c)}/in-${side}/1`],
        [`amp-${String(c)}/phones-1/${String(i + 1)}`, `junction-${String(c)}/in/${String(i + 1)}`],
        ...upTo(PAIRS_EACH).map((p): [string, string] => [
          `junction-${String(c)}/phones-${String(p)}/${String(i + 1)}`,
          `phones-${String(c)}-${String(p)}/in/${String(i + 1)}`,
        ]),
      ]),
    ]),
  ];
}

/** Every channel listens to its input, every send is on before the fader, every pair of auxes on its outputs. */
function settings(): Record<string, number | boolean> {
  const on: Record<string, number | boolean> = {};
  for (const n of upTo(SOURCES)) {
    on[`desk/channelSource/${String(n)}`] = n;
    for (const c of upTo(CUES)) {
      on[`desk/aux${String(2 * c - 1)}/${String(n)}`] = 1;
      on[`desk/aux${String(2 * c - 1)}Db/${String(n)}`] = -10;
    }
  }
  for (const c of upTo(CUES)) {
    on[`desk/auxStereo/${String(c)}`] = true;
    on[`desk/talkToAux/${String(2 * c - 1)}`] = true;
  }
  for (const k of upTo(2 * CUES)) on[`desk/lineOutSource/${String(k)}`] = 2 + 8 + k;
  for (const c of upTo(CUES))
    for (const p of upTo(PAIRS_EACH))
      for (const side of sides) on[`junction-${String(c)}/${side}Db/${String(p)}`] = -20;
  return on;
}

const cue = (c: number) => ({
  ...{ id: `cue-${String(c)}`, number: c, name: `Cue ${String(c)}`, scenes: ['scene'] },
  carrier: { on: 'console', device: 'desk', rows: [`aux-${String(2 * c - 1)}`, `aux-${String(2 * c)}`] },
  headphones: upTo(PAIRS_EACH).map((p) => ({ id: `phones-${String(c)}-${String(p)}` })),
});

/** Twelve stereo cues of a console, 96 sources in each, four pairs of headphones on each. */
export const cueStudio = (): Studio =>
  canonicalStudio(
    studioSchema.parse({
      id: 'cues',
      name: 'Cues',
      rig: {
        rooms: [{ id: 'room', name: 'Room' }],
        devices: devices(),
        hardwires: wires().map(([from, to], i) => ({ id: `wire-${String(i + 1)}`, from, to })),
        cords: [],
      },
      sessions: [
        {
          ...BENCH_SESSION,
          threads: upTo(SOURCES).map((n) => ({
            ...{
              id: `line-${String(n)}`,
              number: n,
              purpose: 'feed',
              performer: '',
              source: `Source ${String(n)}`,
            },
            from: `${microphone(n)}/out/1`,
            to: n <= LOCAL ? `desk/mic-${String(n)}/1` : `box/mic-${String(n - LOCAL)}/1`,
            ...{ levelDbSpl: 90, crestDb: 14, inserts: [], trackName: '', pins: {}, scenes: ['scene'] },
          })),
          cues: upTo(CUES).map(cue),
          scenes: [{ id: 'scene', name: 'Scene', cords: [], settings: settings() }],
        },
      ],
    }),
  );
