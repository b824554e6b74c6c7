import type { Routing } from '@ft/core/routing/route';
import { route } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, studioOf } from '../fixtures/studioOf';
import { faultsOf } from './validRouting';

type Devices = NonNullable<Parts['devices']>;
type Wires = NonNullable<Parts['wires']>;

const to = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);
const mic = (id: string): Devices[number] => ({
  id,
  type: 'microphone',
  params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
});
const cordsIn = ({ cords }: Routing): readonly string[] =>
  cords.map(({ from, to: end }) => `${from} → ${end}`).sort();
const outcomeOf = ({ outcomes }: Routing, thread: string): Routing['outcomes'][number] | undefined =>
  outcomes.find((each) => each.thread === thread);

/** Routes the first scene; whatever comes out must hold. */
function routed(studio: Studio, options?: Parameters<typeof route>[3]): Routing {
  const { session, scene } = firstScene(studio);
  const routing = route(studio.rig, session, scene, options);
  expect(faultsOf(studio, routing)).toEqual([]);
  return routing;
}

/** Microphones on a panel, a line bay between preamps and converter, units on a bay of their own. */
function studio(more: Parts & { readonly inputs?: number; readonly normalling?: string }): Studio {
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

const from = (n: number, more: object = {}): NonNullable<Parts['threads']>[number] => ({
  from: `mic-${String(n)}/out/1`,
  ...more,
});

describe('one signal to several places', () => {
  it('fans out at the listening jack of a half normal', () => {
    const { outcomes, cords } = routed(studio({ threads: [from(1), from(1)] }));
    expect(outcomes.every(({ routed: yes }) => yes)).toBe(true);
    // One cable for the microphone, one cord from the upper jack, which listens.
    expect(cords.map((cord) => cord.from).sort()).toEqual(['line-bay/upper-1/1', 'mic-1/out/1']);
  });

  it('does not where every jack breaks the normal', () => {
    const routing = routed(studio({ normalling: 'full', threads: [from(1), from(1)] }));
    expect(routing.outcomes.map(({ routed: yes }) => yes)).toEqual([true, false]);
  });

  it('fans out at a mult', () => {
    const withMult = studio({
      normalling: 'full',
      devices: [{ id: 'mult', type: 'mult', params: { outputs: 3 } }],
      threads: [from(1), from(1)],
    });
    const routing = routed(withMult);
    expect(routing.outcomes.every(({ routed: yes }) => yes)).toBe(true);
    expect(cordsIn(routing)).toContain('line-bay/upper-1/1 → mult/in-1/1');
  });
});

describe('wide threads', () => {
  const pair = [from(1), from(2, { link: { lead: 'thread-1', place: 2 } })];

  it('sit on adjacent DAW inputs, left on an odd one', () => {
    const routing = routed(
      studio({
        threads: [
          from(3, { pins: { 'daw-input': 'daw/input-1' } }),
          ...pair.map((side, i) => ({
            ...side,
            id: `side-${String(i)}`,
            ...(i === 1 && { link: { lead: 'side-0', place: 2 } }),
          })),
        ],
      }),
    );
    expect(routing.outcomes.every(({ routed: yes }) => yes)).toBe(true);
  });

  it('are told when no pair of inputs is left', () => {
    // Inputs 1 and 3 are left: two threads would find room, a pair does not.
    const routing = routed(studio({ inputs: 3, faults: ['converter/line-in-1/2'], threads: pair }));
    expect(outcomeOf(routing, 'thread-1')).toMatchObject({
      routed: false,
      obstacle: { code: 'no-pair', width: 2 },
    });
  });
});

describe('a hardware insert', () => {
  const insert = (profile: 'strict' | 'free', pins: object = {}): Parts => ({
    session: {
      hostProfile: {
        insertPairs: profile,
        trims: false,
        insertDelay: 'typed in',
        compensates: true,
        reusePair: false,
      },
    },
    wires: to(4).flatMap((n): Wires => [
      [`daw/stream-out/${String(n)}`, `converter/host-in/${String(n)}`],
      [`converter/line-out-1/${String(n)}`, `line-bay/upper-rear-${String(n + 4)}/1`],
    ]),
    threads: [{ purpose: 'insert', from: 'daw/output/3', inserts: ['opto/channel-a'], pins }],
  });

  it('comes back on the number it went out on', () => {
    expect(cordsIn(routed(studio(insert('free'))))).toEqual([
      'line-bay/upper-7/1 → unit-bay/lower-1/1',
      'unit-bay/upper-1/1 → line-bay/lower-3/1',
    ]);
  });

  it('must, where the host asks for it', () => {
    const pinned = insert('strict', { 'daw-input': 'daw/input-2' });
    expect(routed(studio(pinned)).outcomes[0]).toMatchObject({ routed: false });
    expect(routed(studio(insert('free', { 'daw-input': 'daw/input-2' }))).outcomes[0]).toMatchObject({
      routed: true,
    });
  });
});

describe('kinds of signal', () => {
  it('never takes a microphone to a line input', () => {
    const direct = studio({
      faults: to(4).map((n) => `preamp/mic-${String(n)}/1`),
      adaptors: [{ id: 'xlr-tt', name: 'XLR to TT', connectors: ['xlr', 'tt'], count: 4 }],
      threads: [from(1)],
    });
    expect(routed(direct).outcomes[0]).toMatchObject({ routed: false });
  });

  it('takes a line signal to a pedal by a re-amp box, and back by a DI and a preamp', () => {
    const pedals = studio({
      stocks: [
        { id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count: 9 },
        { id: 'xlr', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: 9 },
        { id: 'ts', name: 'Instrument lead', connectors: ['ts', 'ts'], lengthM: 1, colour: '', count: 9 },
      ],
      devices: [
        { id: 'fuzz', type: 'pedal', params: {} },
        { id: 're-amp', type: 'reampBox', params: {} },
        { id: 'di', type: 'diBox', params: {} },
      ],
      wires: [
        ['unit-bay/lower-rear-3/1', 're-amp/in-1/1'],
        ...to(4).flatMap((n): Wires => [
          [`daw/stream-out/${String(n)}`, `converter/host-in/${String(n)}`],
          [`converter/line-out-1/${String(n)}`, `line-bay/upper-rear-${String(n + 4)}/1`],
        ]),
      ],
      threads: [{ purpose: 'insert', from: 'daw/output/1', inserts: ['fuzz/channel-a'] }],
    });
    const cords = cordsIn(routed(pedals));
    expect(cords).toContain('line-bay/upper-5/1 → unit-bay/lower-3/1');
    expect(cords.some((cord) => cord.startsWith('re-amp/') && cord.includes('→ fuzz/in-1/1'))).toBe(true);
    expect(cords).toContain('fuzz/out-1/1 → di/in-1/1');
    expect(cords.some((cord) => cord.startsWith('di/out-1/1 → panel/jack-'))).toBe(true);
  });
});

describe('what hangs on the hook', () => {
  const tip = (count: number): Parts => ({
    stocks: [{ id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count: 9 }],
    adaptors: [{ id: 'xlr-tt', name: 'XLR to TT', connectors: ['tt', 'xlr'], count }],
    threads: [from(1)],
  });

  it('makes a cord fit with adaptors', () => {
    const { cords } = routed(studio(tip(2)));
    expect(cords).toMatchObject([{ stock: 'tt', fromAdaptor: 'xlr-tt', toAdaptor: 'xlr-tt' }]);
  });

  it('counts them', () => {
    expect(routed(studio(tip(1))).outcomes[0]).toMatchObject({
      routed: false,
      obstacle: { code: 'no-cord-left' },
    });
  });
});

describe('places that do not work', () => {
  it('are gone around', () => {
    const whole = studio({ threads: [from(1)] });
    expect(cordsIn(routed(whole))).toEqual(['mic-1/out/1 → panel/jack-1/1']);
    const dead = studio({ threads: [from(1)], faults: ['panel/jack-1/1'] });
    expect(cordsIn(routed(dead))).toEqual(['mic-1/out/1 → panel/jack-2/1']);
  });

  it('send whoever used them another way, and nobody else', () => {
    const before = studio({ threads: [from(1), from(2)] });
    const { cords } = routed(before);
    const { session, scene } = firstScene(before);
    const dead = { ...before.rig, faults: [{ id: 'panel/jack-1/1' as never, note: 'crackles' }] };
    const after = route(dead, session, { ...scene, cords: [...cords] });
    expect(cordsIn(after)).toEqual(['mic-1/out/1 → panel/jack-3/1', 'mic-2/out/1 → panel/jack-2/1']);
    expect(outcomeOf(after, 'thread-2')).toMatchObject({ kept: true });
  });
});

describe('crosspoints', () => {
  const desk = (more: Parts): Studio =>
    studioOf({
      devices: [
        mic('mic-1'),
        mic('mic-2'),
        { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
        {
          id: 'interface',
          type: 'audioInterface',
          params: { lineInputs: 2, lineOutputs: 2, opticalLinks: 0, hostStreams: 4, monitorMixes: 0 },
        },
        { id: 'daw', type: 'dawHost', params: { inputs: 4, outputs: 4 } },
      ],
      wires: [
        ...to(2).flatMap((n): Wires => [
          [`mic-${String(n)}/out/1`, `preamp/mic-${String(n)}/1`],
          [`preamp/out-${String(n)}/1`, `interface/line-in-${String(n)}/1`],
        ]),
        ...to(4).map((n): Wires[number] => [`interface/host-out/${String(n)}`, `daw/stream-in/${String(n)}`]),
      ],
      ...more,
    });

  it('are closed where a pin asks for another input', () => {
    const { settings, cords } = routed(
      desk({ threads: [from(1, { pins: { 'daw-input': 'daw/input-4' } })] }),
    );
    expect(cords).toEqual([]);
    // The sources of "to host" are the four host streams, then the line inputs: line in 1 is the fifth.
    expect(settings).toEqual({ 'interface/hostInSource/4': 5 });
  });

  it('stay where somebody put them', () => {
    const held = desk({
      threads: [from(1, { pins: { 'daw-input': 'daw/input-4' } })],
      settings: { 'interface/hostInSource/4': 6 },
    });
    expect(routed(held).outcomes[0]).toMatchObject({ routed: false });
  });

  it('are let go when nothing runs over them any more', () => {
    const set = desk({
      threads: [from(1, { pins: { 'daw-input': 'daw/input-4' } })],
      settings: { 'interface/hostInSource/4': 5 },
    });
    const { session, scene } = firstScene(set);
    const moved = {
      ...session,
      threads: session.threads.map((thread) => ({
        ...thread,
        pins: { 'daw-input': 'daw/input-3' as never },
      })),
    };
    expect(route(set.rig, moved, scene).settings).toMatchObject({ 'interface/hostInSource/3': 5 });
  });

  it('carry one source to two inputs', () => {
    const routing = routed(desk({ threads: [from(1), from(1)] }));
    expect(routing.outcomes.every(({ routed: yes }) => yes)).toBe(true);
  });
});

describe('a feed', () => {
  it('ends at the input it names', () => {
    const routing = routed(
      studio({
        wires: [['line-bay/lower-rear-8/1', 'converter/line-in-1/4']].slice(1) as never,
        threads: [{ purpose: 'feed', from: 'opto/out-1/1', to: 'opto/in-2/1' }],
      }),
    );
    expect(cordsIn(routing)).toEqual(['unit-bay/upper-1/1 → unit-bay/lower-2/1']);
  });

  it('of two sides goes to two inputs that need not be adjacent', () => {
    const routing = routed(
      studio({
        threads: [
          { purpose: 'feed', from: 'opto/out-1/1', to: 'opto/in-2/1' },
          {
            ...{ purpose: 'feed', from: 'preamp/out-1/1', to: 'opto/in-1/1' },
            link: { lead: 'thread-1', place: 2 },
          },
        ],
      }),
    );
    expect(cordsIn(routing)).toEqual([
      'line-bay/upper-1/1 → unit-bay/lower-1/1',
      'unit-bay/upper-1/1 → unit-bay/lower-2/1',
    ]);
  });
});

describe('preferences', () => {
  it('weigh what is kept against what is short', () => {
    const parts: Parts = {
      threads: [from(1, { inserts: ['opto/channel-a'] })],
      stocks: [
        { id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count: 9 },
        { id: 'tt-long', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 9, colour: '', count: 9 },
        { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: 9 },
      ],
      cords: [{ from: 'line-bay/upper-1/1', to: 'unit-bay/lower-1/1', stock: 'tt-long', thread: 'thread-1' }],
    };
    const stocks = (order?: string[]): readonly string[] =>
      routed(studio({ ...parts, ...(order && { session: { routing: order as never } }) }), { mode: 'all' })
        .cords.filter((cord) => cord.from === 'line-bay/upper-1/1')
        .map(({ stock }) => stock);
    expect(stocks()).toEqual(['tt-long']);
    expect(
      stocks([
        'short-cords',
        'few-cords',
        'normals',
        'one-to-one',
        'few-tie-lines',
        'others-normals',
        'keep',
      ]),
    ).toEqual(['tt']);
  });

  it('gives equal results for equal input', () => {
    const one = routed(
      studio({
        threads: to(4).map((n) =>
          from(n, { inserts: n < 3 ? ['opto/channel-a', 'opto/channel-b'].slice(n - 1, n) : [] }),
        ),
      }),
    );
    const two = routed(
      studio({
        threads: to(4).map((n) =>
          from(n, { inserts: n < 3 ? ['opto/channel-a', 'opto/channel-b'].slice(n - 1, n) : [] }),
        ),
      }),
    );
    expect(one).toEqual(two);
  });
});
