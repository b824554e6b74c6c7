import { route } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, studioOf } from '../fixtures/studioOf';
import type { Wires } from './lineRig';
import { cordsIn, from, mic, outcomeOf, routed, studio, to } from './lineRig';

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

describe('cords that lie already', () => {
  const two = (count: number): Studio =>
    studio({
      stocks: [{ id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count }],
      threads: [from(1), from(2)],
      cords: to(2).map((n) => ({
        ...{ from: `mic-${String(n)}/out/1`, to: `panel/jack-${String(n)}/1` },
        ...{ stock: 'mic', thread: `thread-${String(n)}` },
      })),
    });

  it('are held against the hook like new ones', () => {
    expect(routed(two(2)).cords).toHaveLength(2);
    for (const mode of ['missing', 'all'] as const) {
      const routing = routed(two(1), { mode });
      expect(routing.cords).toHaveLength(1);
      expect(outcomeOf(routing, 'thread-2')).toMatchObject({
        routed: false,
        obstacle: { code: 'no-cord-left', stock: 'mic', needed: 1, left: 0 },
      });
    }
  });
});

describe('a thread that runs', () => {
  it('is not stopped so that another runs instead, however much cheaper that is', () => {
    const one = studio({
      threads: [from(2, { inserts: ['opto/channel-a'] }), from(1, { pins: { 'room-jack': 'panel/line-1' } })],
      faults: [2, 3, 4].map((n) => `panel/jack-${String(n)}/1`),
      cords: [
        { from: 'mic-2/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-1' },
        { from: 'line-bay/upper-1/1', to: 'unit-bay/lower-1/1', thread: 'thread-1' },
        { from: 'unit-bay/upper-1/1', to: 'line-bay/lower-1/1', thread: 'thread-1' },
      ],
    });
    for (const mode of ['missing', 'all'] as const) {
      const routing = routed(one, { mode });
      expect(outcomeOf(routing, 'thread-1')).toMatchObject({ routed: true, kept: true });
      expect(outcomeOf(routing, 'thread-2')).toMatchObject({ routed: false, obstacle: { code: 'held' } });
    }
  });

  it('gives way where more run then, and says which', () => {
    const crowded = studio({
      threads: [from(1), from(2, { pins: { preamp: 'preamp/channel-1' } })],
      cords: [{ from: 'mic-1/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-1' }],
    });
    expect(outcomeOf(routed(crowded), 'thread-1')).toMatchObject({
      ...{ routed: true, kept: false },
      gain: { runs: ['thread-2'] },
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
