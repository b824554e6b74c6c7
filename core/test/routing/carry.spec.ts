import { applyNewChange } from '@ft/core/edits/change';
import { deadJack } from '@ft/core/actions/scenes/deadJack';
import { stepsTo } from '@ft/core/repatch/target';
import { addThreadEdits } from '@ft/core/actions/track/threadEdits';
import { releaseEdits } from '@ft/core/actions/releaseEdits';
import { release } from '@ft/core/routing/release';
import { route } from '@ft/core/routing/route';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, PLACE } from '../fixtures/studioOf';
import { cordsIn, from, studio } from './lineRig';
import { sceneAfter } from './validRouting';

const SET = { 'preamp/gainDb/1': 44, 'preamp/phantom/1': true };

/** One microphone on line 1 with its preamp set, and what is said besides. */
const one = (more: Parts = {}): Studio =>
  studio({
    threads: [from(1)],
    cords: [{ from: 'mic-1/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-1' }],
    settings: SET,
    ...more,
  });

const routing = (of: Studio, options?: Parameters<typeof route>[3]): ReturnType<typeof route> => {
  const { session, scene } = firstScene(of);
  return route(of.rig, session, scene, options);
};

const MOVED = {
  ...{ 'preamp/gainDb/1': null, 'preamp/phantom/1': null },
  ...{ 'preamp/gainDb/2': 44, 'preamp/phantom/2': true },
};

describe('gain and 48 V of a thread that broke before its preamp', () => {
  it('go along when its wall jack has died', () => {
    const { cords, settings } = routing(one({ faults: ['panel/jack-1/1'] }));
    expect(cords.map(({ to }) => to)).toEqual(['panel/jack-2/1']);
    expect(settings).toEqual(MOVED);
  });

  it('go along when its cord was pulled, and another line is left for it', () => {
    expect(routing(one({ faults: ['panel/jack-1/1'], cords: [] })).settings).toEqual(MOVED);
  });

  it('are told by its other cords, where several were pulled', () => {
    const insert = (n: number, unit: string): NonNullable<Parts['cords']> => [
      {
        from: `line-bay/upper-${String(n)}/1`,
        to: `unit-bay/lower-${unit}/1`,
        stock: 'tt',
        thread: `thread-${String(n)}`,
      },
      {
        from: `unit-bay/upper-${unit}/1`,
        to: `line-bay/lower-${String(n)}/1`,
        stock: 'tt',
        thread: `thread-${String(n)}`,
      },
    ];
    const both = one({
      threads: [from(1, { inserts: ['opto/channel-a'] }), from(2, { inserts: ['opto/channel-b'] })],
      cords: [...insert(1, '1'), ...insert(2, '2')],
      settings: { 'preamp/gainDb/1': 44, 'preamp/gainDb/2': 20 },
      faults: ['panel/jack-1/1', 'panel/jack-2/1'],
    });
    expect(routing(both).settings).toEqual({
      ...{ 'preamp/gainDb/1': null, 'preamp/gainDb/2': null },
      ...{ 'preamp/gainDb/3': 44, 'preamp/gainDb/4': 20 },
    });
  });

  it('stay where they are, where it cannot be told whose they were', () => {
    const two = one({
      threads: [from(1), from(2)],
      cords: [],
      settings: { 'preamp/gainDb/3': 44, 'preamp/gainDb/4': 20 },
    });
    expect(routing(two).settings).toEqual({});
  });

  it('are not taken from a channel that somebody set, for a thread that is new', () => {
    const set = one({ threads: [], cords: [], settings: { 'preamp/gainDb/4': 30 } });
    const [thread] = firstScene(one()).session.threads;
    const edits = addThreadEdits(set, PLACE, thread!);
    expect(edits.filter(({ type }) => type === 'setting.set')).toEqual([]);
  });

  it('are not taken from a channel that another thread has now', () => {
    const taken = one({
      threads: [
        from(1, { pins: { preamp: 'preamp/channel-2' } }),
        from(2, { pins: { preamp: 'preamp/channel-1' } }),
      ],
      cords: [{ from: 'mic-2/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-2' }],
    });
    expect(routing(taken, { only: ['thread-1' as never] }).settings).toEqual({});
  });

  it('are set by the work list', () => {
    const dead = one({ faults: ['panel/jack-1/1'] });
    const { session, scene } = firstScene(dead);
    const floor = {
      cords: scene.cords.map(({ from: id, to, stock }) => ({ id, to, stock })),
      settings: scene.settings,
      precautions: [],
    };
    const steps = stepsTo({ ...dead, floor }, { session, scene: sceneAfter(scene, routing(dead)) });
    const turned = steps.flatMap((step) => ('turns' in step ? step.turns : []));
    expect(turned).toContainEqual({ key: 'preamp/gainDb/2', was: null, value: 44 });
    expect(turned).toContainEqual({ key: 'preamp/phantom/2', was: null, value: true });
  });

  it('go along where somebody at the bay says that a jack does not work', () => {
    const { edits } = deadJack(one(), 'panel/jack-1/1' as never, 'Panel line 1', 'crackles');
    const after = applyNewChange(one(), edits);
    if (!after.ok) throw new Error(JSON.stringify(after.refusal));
    expect(firstScene(after.value).scene.settings).toEqual({
      'preamp/gainDb/2': 44,
      'preamp/phantom/2': true,
    });
  });
});

describe('two lines of one microphone', () => {
  const lines = (more: Parts = {}): Studio =>
    one({
      threads: [from(1), from(1)],
      cords: [
        { from: 'mic-1/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-1' },
        { from: 'line-bay/upper-1/1', to: 'line-bay/lower-2/1', stock: 'tt', thread: 'thread-2' },
      ],
      ...more,
    });
  const micCord = { from: 'mic-1/out/1', to: 'panel/jack-1/1' };

  it('keep the cord they share for its owner, when the other is routed', () => {
    const { session, scene } = firstScene(lines());
    const pinned = {
      ...session,
      threads: session.threads.map((thread) =>
        thread.id === 'thread-2' ? { ...thread, pins: { 'daw-input': 'daw/input-3' as never } } : thread,
      ),
    };
    const { cords } = route(lines().rig, pinned, scene, { only: ['thread-2' as never] });
    expect(cords).toContain(scene.cords.find(({ from: start }) => start === 'mic-1/out/1'));
    expect(cordsIn({ cords } as never)).toContain('line-bay/upper-1/1 → line-bay/lower-3/1');
  });

  it('keep it where the one that shares it is broken further on, and nobody asked for that', () => {
    const broken = lines({
      threads: [from(1), from(1, { pins: { 'daw-input': 'daw/input-2' } })],
      faults: ['line-bay/lower-2/1'],
    });
    const { session, scene } = firstScene(broken);
    const pinned = {
      ...session,
      threads: session.threads.map((thread) =>
        thread.id === 'thread-1' ? { ...thread, pins: { 'room-jack': 'panel/line-3' as never } } : thread,
      ),
    };
    const { cords } = route(broken.rig, pinned, scene, { only: ['thread-1' as never] });
    expect(cords).toContainEqual(expect.objectContaining(micCord));
  });

  it('hand it over when one goes, also to one that is broken further on', () => {
    for (const each of [lines(), lines({ faults: ['line-bay/lower-2/1'] })]) {
      const { session, scene } = firstScene(each);
      const { cords } = release(each.rig, session, scene, 'thread-1' as never);
      expect(cords).toContainEqual(expect.objectContaining({ ...micCord, thread: 'thread-2' }));
    }
  });

  it('hand it over when one is taken out of the scene', () => {
    const { session, scene } = firstScene(lines());
    const away = {
      ...session,
      threads: session.threads.map((thread) =>
        thread.id === 'thread-1' ? { ...thread, scenes: [] } : thread,
      ),
    };
    const edits = releaseEdits(lines().rig, away, scene, 'thread-1' as never);
    expect(edits).toContainEqual(
      expect.objectContaining({
        type: 'cord.add',
        item: expect.objectContaining({ ...micCord, thread: 'thread-2' }),
      }),
    );
  });

  it('keep gain and 48 V where one of them moves to another preamp', () => {
    const at = (line: number): NonNullable<Parts['cords']>[number] => ({
      ...{ from: 'mic-1/out/1', to: `panel/jack-${String(line)}/1`, stock: 'mic', thread: 'thread-1' },
    });
    const mult = studio({
      threads: [
        from(1, { pins: { preamp: 'preamp/channel-1' } }),
        from(1, { pins: { preamp: 'preamp/channel-2' } }),
      ],
      devices: [{ id: 'split', type: 'mult', params: { outputs: 2, connector: 'xlr' } }],
      cords: [at(1)],
      settings: SET,
    });
    const { outcomes, settings } = routing(mult);
    expect(outcomes.every(({ routed }) => routed)).toBe(true);
    expect(settings).not.toHaveProperty(['preamp/gainDb/1'], null);
  });
});

describe('an insert on a host that wants send and return with one number', () => {
  it('does not count as running where it is pinned to another return', () => {
    const pair = studio({
      session: {
        hostProfile: {
          ...{ insertPairs: 'strict', trims: false, insertDelay: 'typed in' },
          ...{ compensates: true, reusePair: false },
        },
      },
      threads: [
        {
          from: 'daw/output/1',
          purpose: 'insert',
          inserts: ['opto/channel-a'],
          pins: { 'daw-input': 'daw/input-2' },
        } as never,
      ],
      wires: [
        ['daw/stream-out/1', 'converter/host-in/1'],
        ['converter/line-out-1/1', 'line-bay/upper-rear-5/1'],
      ],
      cords: [
        { from: 'line-bay/upper-5/1', to: 'unit-bay/lower-1/1', thread: 'thread-1' },
        { from: 'unit-bay/upper-1/1', to: 'line-bay/lower-2/1', thread: 'thread-1' },
      ],
    });
    const [outcome] = routing(pair).outcomes;
    expect(outcome).toMatchObject({ routed: false, obstacle: { code: 'strict-pair' } });
    expect(routing(pair).cost).toBeLessThan(Infinity);
  });
});
