import { onFloorEdits, tickEdits } from '@ft/core/actions/bay/floorEdits';
import { armedEdits } from '@ft/core/actions/playback/armedEdits';
import { playbackDeed } from '@ft/core/actions/playback/playbackDeed';
import { scopeCells } from '@ft/core/actions/playback/scopeCells';
import { withFollowers } from '@ft/core/actions/scenes/followers';
import { withParts, ALL_PARTS } from '@ft/core/actions/sessions/sessionParts';
import { sessionOver } from '@ft/core/actions/sessions/takenOver';
import { counterparts } from '@ft/core/actions/sessions/counterparts';
import { removeTrackEdits } from '@ft/core/actions/mix/trackEdits';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { runChecks } from '@ft/core/checks/runChecks';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editKnob, editSet } from '@ft/core/edits/make';
import type { CheckFault } from '@ft/core/playback/checkFaults';
import { checkFaults } from '@ft/core/playback/checkFaults';
import { checkUp } from '@ft/core/playback/checkUp';
import { playbackState } from '@ft/core/playback/playbackState';
import { checkScene } from '@ft/core/playback/checkScene';
import { floorOf } from '@ft/core/repatch/floorScene';
import { repatch } from '@ft/core/repatch/repatch';
import type { DeviceId, SceneId } from '@ft/core/rig/ids';
import type { SettingKey, SettingValue } from '@ft/core/rig/settings';
import { workedScene } from '@ft/core/scene/workedScene';
import { integrityProblems } from '@ft/core/session/integrity';
import type { Scene, Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { playbackBanner } from '@ft/core/views/playback/playbackBanner';
import { playbackView } from '@ft/core/views/playback/playbackView';
import { faultSentence } from '@ft/core/words/playback/faultSentence';
import { then } from '../fixtures/cuePlace';
import { NOW } from '../fixtures/now';
import { CHECK, rehearsalAt } from '../fixtures/playbackStudio';

const HOST = { recorder: 'host' as DeviceId };
const session = ({ studio }: WorkPlace): Session => studio.sessions[0]!;
const PLAYBACK = 'scene-playback' as SceneId;
const LIVE = 'scene' as SceneId;
const sceneOf = (it: WorkPlace, id: SceneId): Scene => session(it).scenes.find((each) => each.id === id)!;

/** The place worked on in another of its scenes. */
function inScene(it: WorkPlace, scene: SceneId): WorkPlace {
  const { studio } = it;
  return {
    studio,
    place: { ...it.place, scene },
    context: workedScene(studio.rig, session(it), sceneOf(it, scene), studio.floor),
  };
}

/** Knobs turned in a scene, with what follows it. */
function turned(it: WorkPlace, scene: SceneId, knobs: Readonly<Record<string, SettingValue>>): WorkPlace {
  const place = { ...it.place, scene };
  const edits = Object.entries(knobs).map(([key, value]) =>
    editKnob(place, {
      key: key as SettingKey,
      value,
      was: sceneOf(it, scene).settings[key as SettingKey] ?? null,
    }),
  );
  return then(it, withFollowers(it.studio, edits) as readonly Edit[]);
}

const faults = (it: WorkPlace): readonly CheckFault[] =>
  checkFaults(checkUp(it.studio.rig, session(it), session(it).playbackChecks[0]!)!);
const told = (it: WorkPlace): readonly string[] =>
  faults(it).map((fault) => faultSentence(fault, 'Recorder'));
const channelSources = (by: (n: number) => number): Readonly<Record<string, number>> =>
  Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8].map((n) => [`desk/channelSource/${String(n)}`, by(n)]));

describe('what does not match', () => {
  const it_ = rehearsalAt();

  it('a row that is off by one, in one sentence', () => {
    expect(
      told(
        turned(
          it_,
          PLAYBACK,
          channelSources((n) => 64 + n + 1),
        ),
      ),
    ).toEqual([
      '8 channels play one track off: channel 1 is recorded on track 1 and plays from track 2. Move the playback inputs back by one track.',
    ]);
  });

  it('two channels that are swapped', () => {
    const there = turned(it_, PLAYBACK, { 'desk/channelSource/3': 68, 'desk/channelSource/4': 67 });
    expect(faults(there)).toMatchObject([
      { code: 'other-track', channels: [{ row: { id: 'channel-3' } }, {}] },
    ]);
  });

  it('an input that is on no track', () => {
    expect(told(turned(it_, LIVE, { 'desk/cardOutSource/65': 0 }))[0]).toBe(
      'What channel 1 listens to is recorded on no track of Recorder. Set the record tap to the same input.',
    );
  });

  it('a tap behind the fader, which is its own playback besides', () => {
    const { channels } = it_.context.devices.get('desk' as DeviceId)!.params as { channels: number };
    expect(channels).toBe(8);
    // The direct outputs come first among what a card can carry.
    expect(faults(turned(it_, LIVE, { 'desk/cardOutSource/65': 1 })).map(({ code }) => code)).toEqual([
      'after-fader',
      'own-playback',
    ]);
  });

  it('a track that takes in two channels, and one that takes in a bus', () => {
    // Both channels go to group 1, which the card carries for track 1.
    const group = 8 + 128 + 2 + 1;
    const mixed = turned(it_, LIVE, {
      ...{
        'desk/group1/1': true,
        'desk/group1/2': true,
        'desk/cardOutSource/65': group,
        'desk/cardOutSource/66': 0,
      },
    });
    expect(faults(mixed)[0]).toMatchObject({ code: 'mixed', channels: [{}, {}] });
  });

  it('a channel that hears nothing, and one that has no input', () => {
    expect(faults(turned(it_, PLAYBACK, { 'desk/channelSource/2': 127 }))).toMatchObject([
      { code: 'other-track' },
    ]);
    expect(faults(turned(it_, PLAYBACK, { 'desk/channelSource/2': 0 }))).toMatchObject([{ code: 'silent' }]);
    expect(faults(turned(it_, LIVE, { 'desk/channelSource/2': 0 }))[0]).toMatchObject({
      code: 'not-listening',
    });
  });

  it('the switch of the recorder', () => {
    const hosted = rehearsalAt({ withHost: true }, HOST);
    const there = turned(hosted, PLAYBACK, { 'recorder/plays/1': 1 });
    expect(faults(there)).toMatchObject([{ code: 'wrong-switch', device: { id: 'recorder' } }]);
    expect(told(there)[0]).toMatch(/^Recorder plays something else than Recorder, so channel 1, /);
  });

  it('a track that monitors its input', () => {
    const hosted = rehearsalAt({ withHost: true }, HOST);
    const { id } = sceneOf(hosted, PLAYBACK).trackStates![0]!;
    const there = then(hosted, [
      editSet('trackState', { session: session(hosted).id, scene: PLAYBACK }, id, {
        ...{ field: 'inputMonitor', value: true, was: false },
      }),
    ]);
    expect(faults(there)).toMatchObject([{ code: 'monitored', channels: [{}] }]);
  });

  it('tracks that are armed', () => {
    const hosted = rehearsalAt({ withHost: true }, HOST);
    const up = checkUp(hosted.studio.rig, session(hosted), session(hosted).playbackChecks[0]!)!;
    const armed = then(hosted, armedEdits(hosted, PLAYBACK, up.recorder, up.tracks, true));
    expect(faults(armed)).toMatchObject([{ code: 'armed', tracks: up.tracks.map(({ name }) => ({ name })) }]);
  });
});

describe('who plays back', () => {
  it('is one channel alone where each has a switch of its own', () => {
    const it_ = rehearsalAt();
    const there = then(it_, scopeCells(it_, CHECK, [{ row: 'channel-3', text: 'off' }]).edits);
    expect(
      playbackState(
        checkScene(there.studio.rig, session(there), sceneOf(there, PLAYBACK)),
        session(there).playbackChecks[0]!,
      ).playing,
    ).toHaveLength(7);
    const floor = floorOf(session(there), sceneOf(there, LIVE));
    const steps = repatch(there.studio.rig, session(there), floor, sceneOf(there, PLAYBACK));
    const turns = steps.flatMap((step) => (step.kind === 'set' ? step.turns.map(({ key }) => key) : []));
    expect(turns.filter((key) => key.includes('channelSource'))).toHaveLength(7);
    expect(turns).not.toContain('desk/channelSource/3');
    expect(faults(there)).toEqual([]);
  });

  it('cannot be split within a block, and says where a line could go', () => {
    const it_ = rehearsalAt(
      {
        ...{ channels: 16, channelBlocks: 'blocks of 8', cardBlocks: 'blocks of 8' },
        more: { settings: { 'desk/channelSource/2': 0 } },
      },
      { channels: ['channel-1', 'channel-2', 'channel-3'] },
    );
    expect(scopeCells(it_, CHECK, [{ row: 'channel-2', text: 'off' }])).toEqual({
      edits: [],
      refused: [
        {
          at: 0,
          sentence:
            'Desk switches channel 1, channel 3 together with channel 2, so they cannot play back while these stay live. Put the lines of channel 2 on channels of another block, channel 9 for instance.',
        },
      ],
    });
  });

  it('refuses a text that is neither', () => {
    expect(scopeCells(rehearsalAt(), CHECK, [{ row: 'channel-2', text: 'maybe' }]).refused).toHaveLength(1);
  });
});

describe('what is turned in playback', () => {
  const it_ = turned(rehearsalAt(), PLAYBACK, { 'box/gainDb/1': 42, 'desk/trimDb/2': 3 });

  it('is held, gain by gain, and trims with the gain that would do the same', () => {
    const [check] = playbackView(it_.context).checks;
    expect(check!.gains).toEqual([
      { key: 'box/gainDb/1', channel: 'channel 1', knob: 'Box 1 Gain', from: '+30.0 dB', to: '+42.0 dB' },
    ]);
    const [trim] = check!.trims;
    expect(trim).toMatchObject({ channel: 'channel 2', gain: '+30.0 → +33.0 dB', isOutOfRange: false });
    // 94 dB SPL at 2 mV/Pa is −51.76 dBu; +30 dB at a converter of +24 dBu at full scale is −45.8 dBFS, its peak 14 dB up.
    const [now, then_] = trim!.headroom.split(' → ').map((text) => parseFloat(text));
    expect(now! - then_!).toBeCloseTo(3, 1);
    expect(runChecks(it_.context).findings.map(({ finding }) => finding.rule)).toContain('gain-not-carried');
  });

  it('is applied on stage, so that the way back turns it; playback keeps it', () => {
    const there = then(it_, playbackDeed(it_, { does: 'apply-gains', check: CHECK }).edits);
    expect(sceneOf(there, LIVE).settings['box/gainDb/1' as SettingKey]).toBe(42);
    expect(playbackView(there.context).checks[0]!.gains).toEqual([]);
    expect(playbackView(there.context).checks[0]!.trims).toHaveLength(1);
  });

  it('is undone', () => {
    const there = then(it_, playbackDeed(it_, { does: 'undo-gains', check: CHECK }).edits);
    expect([
      playbackView(there.context).checks[0]!.gains,
      playbackView(there.context).checks[0]!.trims,
    ]).toEqual([[], []]);
    expect(sceneOf(there, LIVE).settings['box/gainDb/1' as SettingKey]).toBeUndefined();
  });

  it('goes to the stage as a gain, is not offered twice, and anew when it is turned on', () => {
    const key = 'desk/trimDb/2' as SettingKey;
    const deed = playbackDeed(it_, { does: 'trim-as-gain', check: CHECK, key });
    const there = then(it_, withFollowers(it_.studio, deed.edits) as readonly Edit[]);
    expect(sceneOf(there, LIVE).settings['box/gainDb/2' as SettingKey]).toBe(33);
    expect(sceneOf(there, LIVE).settings[key]).toBeUndefined();
    expect(playbackView(there.context).checks[0]!.trims).toEqual([]);
    const further = turned(there, PLAYBACK, { [key]: 5 });
    expect(playbackView(further.context).checks[0]!.trims).toMatchObject([{ gain: '+33.0 → +35.0 dB' }]);
  });

  it('says where the gain ends', () => {
    const far = turned(turned(rehearsalAt(), LIVE, { 'box/gainDb/2': 60 }), PLAYBACK, {
      'desk/trimDb/2': 12,
    });
    expect(playbackView(far.context).checks[0]!.trims).toMatchObject([
      { gain: '+60.0 → +65.0 dB', isOutOfRange: true },
    ]);
  });
});

describe('training', () => {
  const it_ = rehearsalAt();
  const deed = playbackDeed(it_, { does: 'trainee', check: CHECK, name: 'Orla' });
  const there = then(it_, deed.edits);
  const own = session(there).scenes.find(({ name }) => name === 'Orla')!;

  it('is a copy that follows nothing, from the playback scene', () => {
    expect(own).toMatchObject({ trains: PLAYBACK, settings: sceneOf(there, PLAYBACK).settings });
    expect(own.follows).toBeUndefined();
    expect(playbackBanner(inScene(there, own.id).context)).toMatchObject({ where: 'scene', isLeftOn: false });
  });

  it('is told as a story, touches nothing else, and goes back to the start', () => {
    const practised = turned(there, own.id, { 'desk/faderDb/3': 4, 'desk/mute/1': true });
    expect(playbackView(practised.context).checks[0]!.trainees).toEqual([
      { scene: own.id, name: 'Orla', story: ['Desk: 3 Fader +4.0 dB instead of 0.0 dB, 1 Mute on.'] },
    ]);
    for (const id of [LIVE, PLAYBACK]) expect(sceneOf(practised, id)).toEqual(sceneOf(there, id));
    const back = then(practised, playbackDeed(practised, { does: 'reset', scene: own.id }).edits);
    expect(sceneOf(back, own.id).settings).toEqual(own.settings);
  });

  it('refuses a name that a scene has, or none', () => {
    for (const name of ['', 'scene'])
      expect(playbackDeed(it_, { does: 'trainee', check: CHECK, name })).toMatchObject({
        edits: [],
        refused: [{}],
      });
  });
});

describe('the floor', () => {
  const it_ = rehearsalAt();
  const there = { ...it_.studio, floor: floorOf(session(it_), sceneOf(it_, LIVE)) };
  const changed = (studio: Studio, edits: readonly Edit[]): Studio => {
    const made = applyChange(studio, edits);
    if (!made.ok) throw new Error('the floor does not take it');
    return made.value;
  };
  const at = (studio: Studio, scene: SceneId) =>
    workedScene(
      studio.rig,
      studio.sessions[0]!,
      studio.sessions[0]!.scenes.find(({ id }) => id === scene)!,
      studio.floor,
    );

  it('knows since when a recorder plays, until it does no longer', () => {
    const place = { ...it_.place, scene: PLAYBACK };
    let studio = there;
    const since: (string | undefined)[] = [];
    for (const [i, step] of repatch(
      studio.rig,
      session(it_),
      studio.floor,
      sceneOf(it_, PLAYBACK),
    ).entries()) {
      studio = changed(studio, tickEdits(studio, place, step, `2026-12-05T14:0${String(i)}:00.000Z`));
      since.push(studio.floor.playbackSince);
    }
    // Muted, muted, switched: from then on it plays.
    expect(since.slice(0, 3)).toEqual([undefined, undefined, '2026-12-05T14:02:00.000Z']);
    expect(new Set(since.slice(2)).size).toBe(1);
    expect(integrityProblems(studio)).toEqual([]);
    const back = changed(studio, onFloorEdits(studio, it_.place, sceneOf(it_, LIVE), NOW));
    expect(back.floor.playbackSince).toBeUndefined();
  });

  it('is told on every scene of the session, and is an error where it goes live', () => {
    const playing = changed(
      there,
      onFloorEdits(there, { ...it_.place, scene: PLAYBACK }, sceneOf(it_, PLAYBACK), NOW),
    );
    expect(playbackBanner(at(playing, LIVE))).toEqual({
      ...{ where: 'floor', says: 'Desk: 8 channels listen to Recorder', since: NOW },
      ...{ live: LIVE, isLeftOn: true },
    });
    const left = (studio: Studio) =>
      runChecks(at(studio, LIVE)).findings.filter(({ finding }) => finding.rule === 'playback-left-on');
    expect(left(playing)).toMatchObject([
      { severity: 'warning', finding: { figures: { where: 'floor', channels: 8 } } },
    ]);
    const live = { ...playing, sessions: [{ ...playing.sessions[0]!, goesLive: true as const }] };
    expect(left(live)).toMatchObject([{ severity: 'error' }]);
    expect(left(there)).toEqual([]);
  });
});

describe('a playback check among the rest of a session', () => {
  const it_ = rehearsalAt({ withHost: true }, HOST);

  it('comes along in a template with its scenes and settings, and not without them', () => {
    expect(withParts(session(it_), ALL_PARTS).playbackChecks).toHaveLength(1);
    const bare = withParts(session(it_), new Set(['lines']));
    expect([bare.playbackChecks, bare.scenes[0]!.trackStates]).toEqual([[], undefined]);
  });

  it('comes along to other rooms with its console and its recorder, and is left out without', () => {
    const { rig } = it_.studio;
    const over = (chosen: Record<string, null>) =>
      sessionOver(session(it_), rig, rig, counterparts(session(it_), rig, rig, chosen));
    expect(over({}).kept.playbackChecks).toEqual(session(it_).playbackChecks);
    const without = over({ desk: null });
    expect(without.kept.playbackChecks).toEqual([]);
    expect(without.left).toContainEqual({
      what: 'playback-check',
      of: 'Rehearsal',
      missing: 'Desk',
      count: 1,
    });
  });

  it('loses a track with how scenes had it armed', () => {
    const [track] = session(it_).tracks;
    const there = then(it_, removeTrackEdits(session(it_), track!));
    expect(sceneOf(there, LIVE).trackStates).toHaveLength(7);
    expect(faults(there).map(({ code }) => code)).toContain('not-recorded');
  });

  it('is a problem with one scene twice, or one that is gone', () => {
    const bad = (change: object): readonly string[] =>
      integrityProblems({
        ...it_.studio,
        sessions: [{ ...session(it_), playbackChecks: [{ ...session(it_).playbackChecks[0]!, ...change }] }],
      }).map(({ code }) => code);
    expect(bad({ playback: LIVE })).toEqual(['one-scene-twice']);
    expect(bad({ live: 'nowhere' })).toEqual(['dangling']);
  });

  it('is told as lost where its console is sold', () => {
    const rig = { ...it_.studio.rig, devices: it_.studio.rig.devices.filter(({ id }) => id !== 'desk') };
    const context = workedScene(rig, session(it_), sceneOf(it_, LIVE), it_.studio.floor);
    expect(playbackView(context)).toEqual({ checks: [], lost: [{ id: CHECK, name: 'Rehearsal' }] });
    expect(playbackBanner(context)).toBeUndefined();
  });

  it('is removed, and its scenes stay', () => {
    const there = then(it_, playbackDeed(it_, { does: 'remove', check: CHECK }).edits);
    expect([session(there).playbackChecks, session(there).scenes]).toEqual([[], session(it_).scenes]);
  });

  it('records no more when its tracks are not armed: live, and not live and recording', () => {
    const stateOf = (it: WorkPlace) =>
      playbackState(checkScene(it.studio.rig, session(it), sceneOf(it, LIVE)), session(it).playbackChecks[0]!)
        .state;
    expect(stateOf(it_)).toBe('recording');
    const there = then(it_, playbackDeed(it_, { does: 'arm', check: CHECK, isArmed: false }).edits);
    expect(stateOf(there)).toBe('live');
  });
});
