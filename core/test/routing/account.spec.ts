import { accountOf } from '@ft/core/routing/account';
import { prepare } from '@ft/core/routing/prepare';
import { trialsFor } from '@ft/core/routing/trial';
import { wayReasons } from '@ft/core/views/routing/wayReasons';
import type { ThreadId } from '@ft/core/rig/ids';
import { saltglassRooms } from '../fixtures/builtDemo';
import { firstScene, studioOf } from '../fixtures/studioOf';

const demo = saltglassRooms();
const { session, scene } = firstScene(demo);
const [line1, line4] = ['line-1', 'line-4'] as ThreadId[] as [ThreadId, ThreadId];
const sum = (lines: readonly { readonly points: number }[]): number =>
  lines.reduce((total, { points }) => total + points, 0);

describe('the account of a way', () => {
  it('adds up to what the way costs, for every thread of the demo', () => {
    const { space, items, standing } = prepare(demo.rig, session, scene, undefined);
    const lengths = new Map<string, number>(demo.rig.cords.map(({ id, lengthM }) => [id, lengthM]));
    items.forEach(({ demands }, item) => {
      demands.forEach((demand, side) => {
        const way = standing[item]![side]!;
        expect(sum(accountOf(space, demand, way, lengths))).toBeCloseTo(way.cost, 6);
      });
    });
    expect(items.length).toBeGreaterThan(5);
  });

  it('adds up for ways tried as well, with cords plugged anew, adaptors and crosspoints', () => {
    for (const id of [line1, line4]) {
      const { graph, trial } = trialsFor(demo.rig, session, scene, id);
      const thread = session.threads.find((each) => each.id === id)!;
      for (const station of graph.stations.filter(({ role }) => role === 'preamp').slice(0, 12)) {
        const tried = trial({ ...thread, pins: { ...thread.pins, preamp: station.id } });
        if (tried.found) expect(sum(tried.account)).toBeCloseTo(tried.cost, 6);
      }
    }
  });
});

describe('why a thread goes its way', () => {
  it('tells what it costs, and what other units would cost more, the cheapest first', () => {
    const why = wayReasons(demo.rig, session, scene, line1)!;
    expect(why).toMatchObject({ isWhole: true, name: '1 Imke Tarrow, Narrator' });
    expect(why.lines.map(({ text }) => text)).toEqual(
      expect.arrayContaining(['2 cords', '1 tie line', expect.stringMatching(/^\d+ normals? opened$/)]),
    );
    const preamps = why.roles.find(({ role }) => role === 'preamp')!;
    expect(preamps.now).toBe('Mic preamp 1');
    const dearer = preamps.alternatives.map((each) => each.dearer ?? Infinity);
    expect(dearer).toEqual([...dearer].sort((a, b) => a - b));
    expect(Math.min(...dearer)).toBeGreaterThanOrEqual(0);
    expect(preamps.alternatives[0]!.text).toMatch(/more/);
  });

  it('tells who holds a unit, and what keeps a thread from having any way', () => {
    const line = { id: 'panel', type: 'wallPanel', params: { lines: 1 } };
    const mic = { type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } };
    const studio = studioOf({
      devices: [{ id: 'mic-a', ...mic }, { id: 'mic-b', ...mic }, line],
      threads: [{ from: 'mic-a/out/1' }, { from: 'mic-b/out/1' }],
    });
    const at = firstScene(studio);
    expect(wayReasons(studio.rig, at.session, at.scene, 'thread-1' as ThreadId)).toMatchObject({
      isWhole: false,
      lines: [],
      trouble: expect.stringMatching(/DAW input/),
    });
  });
});
