import { obstacleSentence } from '@ft/core/words/obstacleWording';
import { namingOf } from '@ft/core/words/naming';
import { runChecks } from '@ft/core/checks/runChecks';
import { applyChange } from '@ft/core/edits/change';
import { compile } from '@ft/core/graph/compile';
import { planOf } from '@ft/core/views/plan';
import { removeDevicesEdits } from '@ft/core/actions/rig/rigEdits';
import { brokenLegs } from '@ft/core/routing/brokenLegs';
import type { Obstacle } from '@ft/core/routing/why/obstacle';
import type { Studio } from '@ft/core/session/studioSchema';
import { saltglassRooms } from '../fixtures/builtDemo';
import { contextOf, firstScene } from '../fixtures/studioOf';
import { from, outcomeOf, routed, studio } from './lineRig';

/** Why a thread has no way, and in words. */
function trouble(
  of: Studio,
  thread: string,
  options?: Parameters<typeof routed>[1],
): { readonly obstacle: Obstacle; readonly text: string } {
  const outcome = outcomeOf(routed(of, options), thread)!;
  if (outcome.routed) throw new Error('it should have no way');
  const { session, scene } = firstScene(of);
  const naming = namingOf(of.rig, session, compile(of.rig, session, scene));
  return { obstacle: outcome.obstacle, text: obstacleSentence(outcome.obstacle, naming) };
}

describe('what would free a way', () => {
  const opto = { inserts: ['opto/channel-a'] };

  it('is the thread’s own pin, where it finds a way without it', () => {
    const line = { 'daw-input': 'daw/input-1' };
    const held = studio({
      threads: [from(1, { pins: line }), from(2, { pins: { ...line } })],
      inputs: 2,
    });
    expect(trouble(held, 'thread-2').obstacle.code).toBe('pins-contradict');
  });

  it('is a pin of the one that stands in the way, where both find a way without it', () => {
    const pinned = studio({
      threads: [
        from(1, { pins: { preamp: 'preamp/channel-2' } }),
        from(2, { pins: { 'room-jack': 'panel/line-2' } }),
      ],
    });
    const { obstacle, text } = trouble(pinned, 'thread-2');
    expect(obstacle).toMatchObject({
      code: 'held',
      remedy: { code: 'unpin', pin: { thread: 'thread-2', station: 'panel/line-2' } },
    });
    expect(text).toMatch(/Without the pin of 2 Source 2 on Panel line 2 there is room/);
    const feed = studio({
      threads: [
        from(1, { pins: { preamp: 'preamp/channel-2' } }),
        { ...from(2), purpose: 'feed', to: 'preamp/mic-2/1' },
      ],
      cords: [{ from: 'mic-1/out/1', to: 'panel/jack-2/1', stock: 'mic', thread: 'thread-1' }],
    });
    const staying = { only: ['thread-2' as never], mode: 'stay' } as const;
    expect(trouble(feed, 'thread-2', staying).obstacle).toMatchObject({
      code: 'held',
      remedy: { code: 'unpin', pin: { thread: 'thread-1', station: 'preamp/channel-2' } },
    });
  });

  it('is a thread left out, where nothing else helps', () => {
    const both = studio({ threads: [from(1, opto), from(2, opto)] });
    const { obstacle, text } = trouble(both, 'thread-2');
    expect(obstacle).toMatchObject({ code: 'held', remedy: { code: 'leave-out', thread: 'thread-1' } });
    expect(text).toMatch(/Without 1 Source 1 in this scene there is room/);
  });

  it('is routing, where others only have to move: the thread is not broken then', () => {
    const crowded = studio({
      threads: [from(1), from(2, { pins: { preamp: 'preamp/channel-1' } })],
      cords: [{ from: 'mic-1/out/1', to: 'panel/jack-1/1', stock: 'mic', thread: 'thread-1' }],
    });
    const { findings } = runChecks(contextOf(crowded));
    const incomplete = findings.find(({ finding }) => finding.rule === 'thread-incomplete')!;
    expect(incomplete.finding.figures).toMatchObject({
      way: { code: 'held', remedy: { code: 're-plan', moves: ['thread-1'] } },
    });
    const { session, scene } = firstScene(crowded);
    const { plan } = planOf(crowded.rig, session, scene);
    expect(plan.rows.map(({ status }) => status)).toEqual(['routed', 'planned']);
    expect(plan.findings[0]!.remedy).toBe(
      'Held by 1 Source 1: Panel line 1, Preamp 1. Route it: there is room once 1 Source 1 moves.',
    );
  });
});

describe('the legs that a change of the rig breaks', () => {
  const demo = saltglassRooms();
  const { session, scene } = firstScene(demo);
  const narrator = session.threads.find(({ id }) => id === 'line-1')!;
  const legs = (rig: Studio['rig']): readonly string[] =>
    brokenLegs(compile(rig, session, scene), narrator, scene.cords).map(
      (leg) => `${leg.from ?? '?'} → ${leg.to ?? '?'}`,
    );
  const without = (...ends: readonly string[]): Studio['rig'] => ({
    ...demo.rig,
    hardwires: demo.rig.hardwires.filter(
      ({ from: start, to: end }) => !ends.includes(start) && !ends.includes(end),
    ),
  });

  it('are none while it runs', () => {
    expect(legs(demo.rig)).toEqual([]);
  });

  it('are exactly those: the one before the compressor, the one behind it, or both', () => {
    const before = ['booth-panel/jack-1/1 → bay-b/upper-1/1'];
    const behind = ['bay-b/lower-25/1 → ?'];
    expect(legs(without('mic-preamp/out-1/1'))).toEqual(before);
    expect(legs(without('opto-compressor/out-1/1'))).toEqual(behind);
    expect(legs(without('mic-preamp/out-1/1', 'opto-compressor/out-1/1'))).toEqual([...before, ...behind]);
  });

  // The half normal still leads past the dead jack to the DAW, so the leg before it is whole.
  it('are the cord whose jack is faulty, and nothing else', () => {
    const rig = { ...demo.rig, faults: [{ id: 'bay-b/upper-1/1' as never, note: '' }] };
    expect(legs(rig)).toEqual(['bay-b/upper-1/1 → bay-b/lower-25/1']);
  });

  it('are named by the finding, in every scene the rig change reaches', () => {
    const unit = demo.rig.devices.find(({ id }) => id === 'mic-preamp')!;
    const result = applyChange(demo, removeDevicesEdits(demo, [unit]));
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    const { findings } = planOf(result.value.rig, session, scene).plan;
    const own = findings.find(({ wrong }) => wrong.startsWith('1 Imke Tarrow, Narrator'))!;
    expect(own.wrong).toMatch(/ Broken: Booth panel line 1 → Bay B 1 upper\.$/);
  });
});
