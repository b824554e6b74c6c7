import { endsWhereNamed, PURPOSES } from '@ft/core/session/purposes';
import type { Parts } from '../fixtures/studioOf';
import type { Wires } from './lineRig';
import { cordsIn, from, outcomeOf, routed, studio, to } from './lineRig';

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

describe('a feed', () => {
  it.each(PURPOSES.filter(endsWhereNamed))(
    'ends at the input it names, whatever it is for: %s',
    (purpose) => {
      const routing = routed(
        studio({
          wires: [['line-bay/lower-rear-8/1', 'converter/line-in-1/4']].slice(1) as never,
          threads: [{ purpose, from: 'opto/out-1/1', to: 'opto/in-2/1' }],
        }),
      );
      expect(cordsIn(routing)).toEqual(['unit-bay/upper-1/1 → unit-bay/lower-2/1']);
    },
  );

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
