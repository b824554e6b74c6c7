import { tickEdits } from '@ft/core/actions/bay/floorEdits';
import { scopeOfCheck } from '@ft/core/actions/playback/scope';
import { setUpPlayback } from '@ft/core/actions/playback/setUpPlayback';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { applyChange } from '@ft/core/edits/change';
import { compile } from '@ft/core/graph/compile';
import { trace } from '@ft/core/graph/trace';
import { floorOf } from '@ft/core/repatch/floorScene';
import { turnsBetween } from '@ft/core/repatch/knobs';
import { repatch } from '@ft/core/repatch/repatch';
import type { Step } from '@ft/core/repatch/step';
import type { DeviceId, LaneId, SceneId } from '@ft/core/rig/ids';
import type { Floor } from '@ft/core/session/floorSchema';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import { flipView } from '@ft/core/views/playback/flipView';
import { workList } from '@ft/core/views/bay/workList';
import { then } from '../fixtures/cuePlace';
import { NOW } from '../fixtures/now';
import type { Stage } from '../fixtures/playbackStudio';
import { CHECK, numbersTo, rehearsalAt, stageAt, wishOf } from '../fixtures/playbackStudio';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';

const session = ({ studio }: WorkPlace): Session => studio.sessions[0]!;
const sceneNamed = (it: WorkPlace, id: SceneId): Scene => session(it).scenes.find((each) => each.id === id)!;
const scenes = (it: WorkPlace): readonly [Scene, Scene] => {
  const { live, playback } = session(it).playbackChecks[0]!;
  return [sceneNamed(it, live), sceneNamed(it, playback)];
};

/** Goes through a work list to its end, step by step, as somebody at the console would. */
function flipped(
  it: WorkPlace,
  from: Floor,
  to: Scene,
): { readonly floor: Floor; readonly steps: readonly Step[] } {
  const place = { session: session(it).id, scene: to.id };
  let studio = { ...it.studio, floor: from };
  const done: Step[] = [];
  for (let [step] = repatch(studio.rig, session(it), studio.floor, to); step !== undefined;) {
    done.push(step);
    const made = applyChange(studio, tickEdits(studio, place, step, NOW));
    if (!made.ok || done.length > 100) throw new Error(`the flip stops at ${step.kind}`);
    studio = made.value;
    [step] = repatch(studio.rig, session(it), studio.floor, to);
  }
  return { floor: studio.floor, steps: done };
}

/** What is upstream of a channel, by tracing back along everything that conducts: nothing of the set-up is asked. */
function upstream(it: WorkPlace, scene: Scene, channel: number): ReadonlySet<string> {
  const graph = compile(it.studio.rig, session(it), scene);
  const lane = graph.laneIndex.get(`desk/channel/${String(channel)}` as LaneId)!;
  return new Set(trace(graph, lane, 'to').lanes.map((each) => graph.lanes[each]!.id));
}
const hasPreamp = (lanes: ReadonlySet<string>): boolean =>
  [...lanes].some((id) => id.startsWith('box/amplified'));
const hasRecorder = (lanes: ReadonlySet<string>): boolean =>
  [...lanes].some((id) => id.startsWith('recorder/play/') || /^host\/track-.*-play\//.test(id));

const BLOCKS = ['each alone', 'blocks of 8', 'all together'];

function anyStage(dice: Dice): Stage {
  const channels = dice.pick([4, 8, 16]);
  const channelBlocks = dice.chance(0.3) ? 'blocks of 8' : 'each alone';
  const inputs = numbersTo(channels).map((n) => (dice.chance(0.3) ? 1 + dice.below(channels) : n));
  return {
    ...{ channels, channelBlocks, cardBlocks: dice.pick(BLOCKS), withHost: dice.chance(0.4) },
    ...(channelBlocks === 'each alone' && { inputs }),
  };
}

describe.each(seedsFrom1(6, 120))('any console, blocks and scope, seed %d', (seed) => {
  const dice = seeded(seed);
  const stage = anyStage(dice);
  const bare = stageAt(stage);
  const rows = numbersTo(stage.channels ?? 8).filter(() => dice.chance(0.8));
  const wish = wishOf(stage.channels ?? 8, {
    channels: (rows.length === 0 ? [1] : rows).map((n) => `channel-${String(n)}`),
    ...(stage.withHost === true && dice.chance(0.7) && { recorder: 'host' as DeviceId }),
  });
  const set = setUpPlayback(bare, wish);
  const whole = then(bare, set.edits);
  const inScope = session(whole).playbackChecks[0]!.channels.filter(() => dice.chance(0.7));
  const scope = scopeOfCheck(whole, CHECK, inScope);
  const it_ = then(whole, scope.edits);

  it('flips and flips back to where it was', () => {
    const [live, playback] = scenes(it_);
    const there = flipped(it_, floorOf(session(it_), live), playback);
    const back = flipped(it_, there.floor, live);
    const { rig } = it_.studio;
    expect(turnsBetween(rig, there.floor.settings, playback.settings)).toEqual([]);
    expect(turnsBetween(rig, back.floor.settings, live.settings)).toEqual([]);
    expect(back.floor.cords).toEqual(floorOf(session(it_), live).cords);
    expect([there.floor, back.floor].map(({ precautions }) => precautions)).toEqual([[], []]);
    const arms = (floor: Floor): readonly boolean[] =>
      (floor.trackStates ?? []).map(({ recordArm }) => recordArm);
    expect(arms(there.floor).every((isArmed) => !isArmed)).toBe(true);
  });

  it('has no preamp upstream of what plays back, and no recorder upstream of what is live', () => {
    const [live, playback] = scenes(it_);
    for (const row of session(it_).playbackChecks[0]!.channels) {
      const n = Number(row.split('-')[1]);
      expect([row, hasRecorder(upstream(it_, live, n))]).toEqual([row, false]);
      const heard = upstream(it_, playback, n);
      // Where the scope could not be split it is told, and the switch stays.
      if (scope.refused.length === 0 && inScope.includes(row))
        expect([row, hasPreamp(heard), hasRecorder(heard)]).toEqual([row, false, true]);
      if (scope.refused.length === 0 && !inScope.includes(row))
        expect([row, hasRecorder(heard)]).toEqual([row, false]);
    }
  });

  it('switches nothing that is heard before it is muted, and raises last', () => {
    const [live, playback] = scenes(it_);
    for (const [from, to] of [
      [live, playback],
      [playback, live],
    ] as const) {
      const kinds = repatch(it_.studio.rig, session(it_), floorOf(session(it_), from), to).map(
        ({ kind }) => kind,
      );
      if (!kinds.includes('set')) continue;
      expect(kinds.slice(0, 2)).toEqual(['mute', 'mute']);
      expect(kinds.slice(-2)).toEqual(['open', 'open']);
      expect(kinds.filter((kind) => kind === 'mute' || kind === 'open')).toHaveLength(4);
    }
  });
});

describe('the work list', () => {
  const it_ = rehearsalAt({ withHost: true }, { recorder: 'host' as DeviceId });
  const [live, playback] = scenes(it_);

  it('disarms before it plays, and arms when all stands', () => {
    const list = (from: Scene, to: Scene): readonly string[] =>
      repatch(it_.studio.rig, session(it_), floorOf(session(it_), from), to).map(({ kind }) => kind);
    expect(list(live, playback)).toEqual(['mute', 'mute', 'disarm', 'set', 'open', 'open']);
    expect(list(playback, live)).toEqual(['mute', 'mute', 'set', 'arm', 'open', 'open']);
  });

  it('of a live scene begins with the way back, whatever else is to be done', () => {
    const more = applyChange(it_.studio, [
      { type: 'setting.set', session: 'session', scene: 'scene', key: 'box/gainDb/1', value: 50, was: null },
    ]);
    if (!more.ok) throw new Error('the gain cannot be turned');
    const studio = { ...more.value, floor: floorOf(session(it_), playback) };
    const target = {
      session: studio.sessions[0]!,
      scene: studio.sessions[0]!.scenes.find(({ id }) => id === live.id)!,
    };
    const { steps, rises } = workList(studio, target);
    expect(steps.map(({ title }) => title).slice(0, 3)).toEqual([
      'Mute mains and monitors: Desk',
      'Mute wedges and cues: Desk',
      'Back to the stage: set Desk',
    ]);
    expect(steps[2]!.turns).toEqual([
      { knob: '1–8 Channel listens to', was: 'card in 65–72', value: 'card in 1–8', isSwitch: false },
    ]);
    // A gain that rises by 20 dB is told before the first step.
    expect(rises).toEqual(['Box 1 Gain: +30.0 dB to +50.0 dB']);
  });

  it('is shown with its reverse, whatever is on the floor', () => {
    const flip = flipView(it_.studio, it_.place, CHECK)!;
    expect([flip.toPlayback.target, flip.toLive.target]).toEqual(['Scene, playback', 'Scene']);
    expect(flip.toPlayback.steps.map(({ title }) => title)).toEqual([
      'Mute mains and monitors: Desk',
      'Mute wedges and cues: Desk',
      expect.stringMatching(/^No longer armed in the host: Source 1, /),
      'Set Desk',
      'Open wedges and cues: Desk',
      'Unmute mains and monitors: Desk',
    ]);
  });
});
