import { setUpPlayback } from '@ft/core/actions/playback/setUpPlayback';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { checkFaults } from '@ft/core/playback/checkFaults';
import { checkUp } from '@ft/core/playback/checkUp';
import { applyChange, invertChange } from '@ft/core/edits/change';
import { writeBundle } from '@ft/core/formats/bundle';
import type { DeviceId } from '@ft/core/rig/ids';
import { checkPoints } from '@ft/core/views/playback/checkPoints';
import { workedScene } from '@ft/core/scene/workedScene';
import { integrityProblems } from '@ft/core/session/integrity';
import { then } from '../fixtures/cuePlace';
import { rehearsalAt, stageAt, wishOf } from '../fixtures/playbackStudio';

const HOST = { recorder: 'host' as DeviceId };
const session = (it: WorkPlace) => it.studio.sessions[0]!;
const check = (it: WorkPlace) => session(it).playbackChecks[0]!;
const up = (it: WorkPlace) => checkUp(it.studio.rig, session(it), check(it))!;
const sceneOf = (it: WorkPlace, which: 'live' | 'playback') =>
  session(it).scenes.find(({ id }) => id === check(it)[which])!;
const refusals = (set: ReturnType<typeof setUpPlayback>): readonly string[] =>
  set.refused.map(({ sentence }) => sentence);

describe('a playback check set up on a recorder of its own', () => {
  const it_ = rehearsalAt();

  it('taps every input for the track of its number, and plays it into the channel it came from', () => {
    const { channels } = up(it_);
    expect(
      channels.map(({ row, recordedOn, playsFrom }) => [row.id, recordedOn!.number, playsFrom[0]!.number]),
    )
      // The card of the desk carries 64 lanes; its second card begins at 65.
      .toEqual([1, 2, 3, 4, 5, 6, 7, 8].map((n) => [`channel-${String(n)}`, n, n]));
    expect(channels.every(({ fault }) => fault === undefined)).toBe(true);
    expect(checkFaults(up(it_))).toEqual([]);
  });

  it('makes a scene that follows the live one, arms the tracks live and nowhere else', () => {
    expect(sceneOf(it_, 'playback')).toMatchObject({ follows: 'scene', name: 'Scene, playback' });
    const armed = (which: 'live' | 'playback'): number =>
      Object.entries(sceneOf(it_, which).settings).filter(
        ([key, on]) => key.includes('/recordArm/') && on === true,
      ).length;
    expect([armed('live'), armed('playback')]).toEqual([8, 0]);
  });

  it('is one change that is taken back whole', () => {
    const before = stageAt();
    const { edits } = setUpPlayback(before, wishOf(8));
    const made = applyChange(before.studio, edits);
    expect(made.ok && integrityProblems(made.value)).toEqual([]);
    const back = made.ok && applyChange(made.value, invertChange(before.studio, edits));
    expect(back !== false && back.ok && writeBundle(back.value)).toBe(writeBundle(before.studio));
  });

  it('begins at another track where that is wished', () => {
    const { channels } = up(rehearsalAt({}, { first: 17 }));
    expect(channels.map(({ recordedOn }) => recordedOn!.number)).toEqual([17, 18, 19, 20, 21, 22, 23, 24]);
  });

  it('keeps the order of the channels where the console patches lane by lane', () => {
    const { channels } = up(rehearsalAt({ inputs: [3, 1, 2, 8, 7, 6, 5, 4] }));
    expect(channels.map(({ recordedOn }) => recordedOn!.number)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  });
});

describe('a console that patches in blocks', () => {
  it('records block by block, names what goes along, and follows the inputs', () => {
    const it_ = stageAt({ cardBlocks: 'blocks of 8', inputs: [1, 2, 3, 4, 9, 10, 11, 5] });
    const set = setUpPlayback(it_, wishOf(7));
    expect(set.refused).toEqual([]);
    const dragged = set.changes.filter(({ isDragged }) => isDragged);
    expect(dragged.map(({ column }) => column)).toEqual(['recorded as well', 'recorded as well']);
    // Input 5 is on channel 8, which is not of the check; inputs 6 to 8 are on none.
    expect(dragged[0]!.to).toBe('channel 8, Desk card in 1 6, Desk card in 1 7, Desk card in 1 8');
    const { channels } = up(then(it_, set.edits));
    expect(channels.map(({ recordedOn }) => recordedOn!.number)).toEqual([1, 2, 3, 4, 9, 10, 11]);
    expect(checkFaults(up(then(it_, set.edits)))).toEqual([]);
  });

  it('plays whole blocks of channels back with one switch', () => {
    const it_ = rehearsalAt(
      {
        ...{ cardBlocks: 'blocks of 8', channelBlocks: 'blocks of 8', channels: 16 },
        more: { settings: { 'desk/channelSource/2': 0 } },
      },
      {
        channels: [1, 2, 3].map((n) => `channel-${String(n)}`),
      },
    );
    const turned = Object.entries(sceneOf(it_, 'playback').settings).filter(([key]) =>
      key.includes('channelSource'),
    );
    expect(turned).toEqual([
      ['desk/channelSource/1', 9],
      ['desk/channelSource/2', 0],
    ]);
  });

  it('records an input once for all channels that listen to it, and plays it into all of them', () => {
    const it_ = rehearsalAt({ cardBlocks: 'blocks of 8', inputs: [1, 2, 1, 4], channels: 4 });
    const { channels } = up(it_);
    expect(channels.map(({ recordedOn }) => recordedOn!.number)).toEqual([1, 2, 1, 4]);
    expect(checkFaults(up(it_))).toEqual([]);
    expect(checkPoints(it_.context, up(it_), []).find(({ title }) => title === 'Same count')).toEqual({
      ...{ title: 'Same count', stands: 'holds' },
      says: '4 channels on 3 inputs, since some listen to the same, 3 tracks.',
    });
  });

  it('says what cannot be where a switch carries others already', () => {
    const it_ = stageAt({ cardBlocks: 'blocks of 8', channels: 3, inputs: [1, 2, 13], tracks: 8 });
    const set = setUpPlayback(it_, wishOf(3));
    expect(refusals(set)).toEqual([
      'The switch that would bring Desk channel 3 to its track moves others with it that have theirs already. Put its source on an input of the same block, or begin at a track from which more blocks are free.',
    ]);
    expect(up(then(it_, set.edits)).channels).toHaveLength(2);
  });
});

describe('a playback check on the host', () => {
  const it_ = rehearsalAt({ withHost: true }, HOST);

  it('makes a track for each channel, named after its line, input and output of one number', () => {
    expect(
      [...session(it_).tracks]
        .sort((a, b) => a.number - b.number)
        .map(({ name, input, outputs }) => [name, input, outputs]),
    ).toEqual(
      [1, 2, 3, 4, 5, 6, 7, 8].map((n) => [
        `Source ${String(n)}`,
        { from: 'host', first: n },
        [{ to: 'host', first: n }],
      ]),
    );
    expect(session(it_).threads.map(({ trackName }) => trackName)).toEqual(
      session(it_).threads.map(({ source }) => source),
    );
  });

  it('turns the switch of the recorder between to the computer', () => {
    expect(sceneOf(it_, 'playback').settings['recorder/plays/1' as never]).toBe(2);
    expect(checkFaults(up(it_))).toEqual([]);
  });

  it('arms the tracks live, and monitors none of them', () => {
    const states = (which: 'live' | 'playback') =>
      sceneOf(it_, which).trackStates!.map(({ recordArm, inputMonitor }) => [recordArm, inputMonitor]);
    expect(new Set(states('live').map(String))).toEqual(new Set(['true,false']));
    expect(new Set(states('playback').map(String))).toEqual(new Set(['false,false']));
  });

  it('takes tracks that are there', () => {
    const again = stageAt({ withHost: true, more: { session: { tracks: session(it_).tracks } } });
    const set = setUpPlayback(again, wishOf(8, HOST));
    expect(set.refused).toEqual([]);
    expect(then(again, set.edits).studio.sessions[0]!.tracks).toHaveLength(8);
  });
});

describe('what cannot be set up', () => {
  const told = (wish: Parameters<typeof wishOf>[1], stage = {}): readonly string[] => {
    const set = setUpPlayback(stageAt(stage), wishOf(8, wish));
    expect(set.edits).toEqual([]);
    return refusals(set);
  };

  it.each([
    ['no name', { name: ' ' }, 'A playback check needs a name.'],
    ['no channels', { channels: [] }, 'Choose the channels that are to be recorded.'],
    ['what is no console', { console: 'box' as DeviceId }, 'Choose a console: a device with channels'],
    ['what records nothing', { recorder: 'amp' as DeviceId }, 'Choose what records: the host of the session'],
  ])('%s', (_what, wish, sentence) => {
    expect(told(wish)[0]).toContain(sentence);
  });

  it('a name that is taken, or a scene that plays back', () => {
    const it_ = rehearsalAt();
    expect(refusals(setUpPlayback(it_, wishOf(8)))[0]).toContain('already');
  });

  it('a channel that listens to nothing: the others are set up, it is told', () => {
    const it_ = stageAt({ channels: 8, more: { settings: { 'desk/channelSource/3': 0 } } });
    const set = setUpPlayback(it_, wishOf(8));
    expect(refusals(set)).toEqual(['Desk channel 3 listens to nothing. Choose its input first.']);
    expect(up(then(it_, set.edits)).channels).toHaveLength(7);
  });

  it('more channels than the link carries at the rate', () => {
    // MADI carries 32 lanes at 96 kHz (AES10).
    const it_ = stageAt({ channels: 40, more: { session: { sampleRateHz: 96_000 } } });
    const set = setUpPlayback(it_, wishOf(40));
    expect(set.refused).toHaveLength(8);
    expect(refusals(set)[0]).toMatch(
      /^No free track of Recorder can take in what Desk channel 33 listens to\./,
    );
  });

  it('a console whose recorder has no way back to it', () => {
    const it_ = stageAt();
    const cut = {
      ...it_.studio,
      rig: {
        ...it_.studio.rig,
        hardwires: it_.studio.rig.hardwires.filter(({ to }) => !to.startsWith('desk/madi-in-2')),
      },
    };
    const { session: own, scene } = it_.context;
    const context = workedScene(cut.rig, own, scene, cut.floor);
    const set = setUpPlayback({ ...it_, studio: cut, context }, wishOf(2));
    expect(refusals(set)[0]).toContain('cannot be brought to Desk channel 1');
    expect(set.edits).toEqual([]);
  });
});
