import { namingOf } from '@ft/core/words/naming';
import { obstacleSentence } from '@ft/core/words/obstacleWording';
import { compile } from '@ft/core/graph/compile';
import type { Obstacle } from '@ft/core/routing/why/obstacle';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, studioOf } from '../fixtures/studioOf';
import { from, mic, outcomeOf, routed, studio, to } from './lineRig';

/** Why a thread has no way, and in words. */
function why(of: Studio, thread = 'thread-1'): { readonly obstacle: Obstacle; readonly text: string } {
  const outcome = outcomeOf(routed(of), thread)!;
  if (outcome.routed) throw new Error('it should have no way');
  const { session, scene } = firstScene(of);
  const naming = namingOf(of.rig, session, compile(of.rig, session, scene));
  const text = obstacleSentence(outcome.obstacle, naming);
  // Whatever is wrong: names, and no gaps where a name should be.
  expect(text).toMatch(/^[A-Z0-9].*\.$/);
  expect(text).not.toMatch(/: \.|undefined|by : |\w+\/[\w-]+\/\d/);
  return { obstacle: outcome.obstacle, text };
}

const cords = (tt: number, mic = 4): NonNullable<Parts['stocks']> => [
  { id: 'tt', name: 'TT cord', connectors: ['tt', 'tt'], lengthM: 0.6, colour: '', count: tt },
  { id: 'mic', name: 'Mic cable', connectors: ['xlr', 'xlr'], lengthM: 5, colour: '', count: mic },
];
const pair: Parts['threads'] = [from(1), from(2, { link: { lead: 'thread-1', place: 2 } })];
const opto = { inserts: ['opto/channel-a'] };

describe('too few cords', () => {
  it('one short for a line that needs two: says how many, and for which there is none', () => {
    const { obstacle, text } = why(studio({ threads: [from(1, opto)], stocks: cords(1) }));
    expect(obstacle).toMatchObject({ code: 'no-cord-left', stock: 'tt', needed: 2, left: 1 });
    expect(text).toBe(
      'It needs 2 of TT cord (0.6 m) and only 1 is left: there is none for Unit-bay 1 upper → Line-bay 1 lower. Free 1, or raise the number in the rig.',
    );
  });

  it('adaptors alike: by their name', () => {
    const { text } = why(
      studio({
        threads: [from(1)],
        stocks: cords(9, 0),
        adaptors: [{ id: 'xlr-tt', name: 'XLR to TT adaptor', connectors: ['tt', 'xlr'], count: 1 }],
      }),
    );
    expect(text).toMatch(/Mic cable \(5 m\) is left|XLR to TT adaptor/);
  });

  it('one for two sides: counted together', () => {
    const { obstacle, text } = why(studio({ threads: pair, stocks: cords(4, 1) }));
    expect(obstacle).toMatchObject({ code: 'no-cord-left', stock: 'mic', needed: 2, left: 1 });
    expect(text).toMatch(/^It needs 2 of Mic cable \(5 m\) and only 1 is left/);
  });
});

describe('a place that does not work', () => {
  const dead = to(4).map((n) => `panel/jack-${String(n)}/1`);

  it('is named where every way leads over one', () => {
    const { obstacle, text } = why(studio({ threads: [from(1)], faults: dead }));
    expect(obstacle).toEqual({ code: 'faulty', lanes: ['panel/jack-1/1'] });
    expect(text).toBe(
      'Every way leads over Panel line 1, which is marked as faulty. Mend it and take the mark off, or wire a way around it.',
    );
  });

  it('is named with the pin that insists on it', () => {
    const { obstacle, text } = why(
      studio({ threads: [from(1, { pins: { 'room-jack': 'panel/line-1' } })], faults: dead.slice(0, 1) }),
    );
    expect(obstacle).toMatchObject({
      code: 'faulty',
      lanes: ['panel/jack-1/1'],
      pin: { thread: 'thread-1', role: 'room-jack' },
    });
    expect(text).toBe(
      'Panel line 1 is marked as faulty, and a pin insists on it. Take the pin away, or mend it and take the mark off.',
    );
  });
});

describe('no cord between two kinds of jack', () => {
  it('says which cord to get', () => {
    const { obstacle, text } = why(studio({ threads: [from(1)], stocks: cords(4).slice(0, 1) }));
    expect(obstacle).toMatchObject({ code: 'no-lead', connectors: ['xlr', 'xlr'] });
    expect(text).toBe(
      'No cord of the rig joins Mic-1 (XLR) to Panel line 1 (XLR). Get one from XLR to XLR, and enter it in the rig.',
    );
  });

  it('or which adaptor, where the kinds differ', () => {
    const other = studio({
      threads: [from(1, { inserts: ['valve/channel-a'] })],
      devices: [
        { id: 'valve', type: 'dynamics', params: { channels: 1 } },
        { id: 'valve-bay', type: 'patchbay', params: { columns: 1, normalling: 'none', connector: 'trs' } },
      ],
      wires: [
        ['valve/out-1/1', 'valve-bay/upper-rear-1/1'],
        ['valve-bay/lower-rear-1/1', 'valve/in-1/1'],
      ],
    });
    const { text } = why(other);
    expect(text).toMatch(
      /^No cord of the rig joins Line-bay \d upper \(TT\) to Valve-bay 1 lower \(TRS\)\. Get one from TT to TRS, or an adaptor between the two, and enter it in the rig\.$/,
    );
  });
});

describe('a wide thread', () => {
  it('is told which wall line both sides need, and not of DAW inputs', () => {
    const one = studio({ threads: pair, faults: [2, 3, 4].map((n) => `panel/jack-${String(n)}/1`) });
    const { obstacle, text } = why(one);
    expect(obstacle).toMatchObject({ code: 'one-for-several', station: 'panel/line-1' });
    expect(text).toBe(
      'Two of its sides need Panel line 1, and there is no other room jack for one of them. Make one free, or unlink the sides.',
    );
  });

  it('is told which preamp', () => {
    const { obstacle } = why(
      studio({ threads: pair, faults: [2, 3, 4].map((n) => `preamp/mic-${String(n)}/1`) }),
    );
    expect(obstacle).toMatchObject({ code: 'one-for-several' });
    expect(JSON.stringify(obstacle)).toMatch(/preamp\/channel-1|panel\/line-1/);
  });

  it('is told of the side that has no way, where only one has none', () => {
    const threads = [
      from(1),
      from(2, { link: { lead: 'thread-1', place: 2 }, pins: { 'room-jack': 'panel/line-2' } }),
    ];
    const { obstacle, text } = why(studio({ threads, faults: ['panel/jack-2/1'] }));
    expect(obstacle).toMatchObject({ code: 'other-side', thread: 'thread-2', obstacle: { code: 'faulty' } });
    expect(text).toMatch(
      /^2 Source 2, which belongs to it, has no way: Panel line 2 is marked as faulty, and a pin insists on it/,
    );
  });
});

describe('a switch that was set by hand', () => {
  it('is named where the only way needs it elsewhere', () => {
    const desk = studioOf({
      devices: [
        mic('mic-1'),
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
        {
          id: 'interface',
          type: 'audioInterface',
          params: { lineInputs: 2, lineOutputs: 2, opticalLinks: 0, hostStreams: 2, monitorMixes: 0 },
        },
        { id: 'daw', type: 'dawHost', params: { inputs: 2, outputs: 2 } },
      ],
      wires: [
        ['mic-1/out/1', 'preamp/mic-1/1'],
        ['preamp/out-1/1', 'interface/line-in-1/1'],
        ['interface/host-out/2', 'daw/stream-in/2'],
      ],
      threads: [from(1, { pins: { 'daw-input': 'daw/input-2' } })],
      settings: { 'interface/hostInSource/2': 4 },
    });
    const { obstacle, text } = why(desk);
    expect(obstacle).toMatchObject({ code: 'knob-set', key: 'interface/hostInSource/2' });
    expect(text).toMatch(
      /^Interface: .* was set by hand, .* Take that setting back, or choose another way\.$/,
    );
  });
});

describe('who holds a place', () => {
  it('is named also where it is a thread of the same source', () => {
    const three = studio({ inputs: 2, threads: [from(1), from(1), from(1)] });
    const { obstacle, text } = why(three, 'thread-3');
    expect(obstacle).toMatchObject({ code: 'held' });
    expect(text).toMatch(/^Held by [12] Source/);
  });
});
