import { newSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { deadEnd } from '@ft/core/checks/rules/deadEnd';
import { workedScene } from '@ft/core/scene/workedScene';
import { then } from '../fixtures/cuePlace';
import type { ParallelWish } from '@ft/core/actions/mix/desk/parallelBus';
import { sumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import { summingView } from '@ft/core/views/mix/summingView';
import { parallelBuses } from '@ft/core/mix/parallelPans';
import { editAdd } from '@ft/core/edits/make';
import type { CueId, DeviceId, SceneId, TrackId } from '@ft/core/rig/ids';
import { laneSum } from '@ft/core/levels/laneSum';
import { track } from '../checks/examples/example';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import {
  busCell,
  busOf,
  busTyped,
  DESK_STEMS,
  deskOfView,
  deskPlace,
  ON_DESK,
  onDesk,
  stemCell,
  stemTyped,
} from '../fixtures/deskStudio';
import { added, refusals } from '../fixtures/mixStudio';
import { rowOf, SUM, sumDid, sumPlace, viewOf, wishFor } from '../fixtures/sumStudio';

/** What all channels make together on the left of the mix, dBu. */
const mixLeft = ({ context }: WorkPlace): number =>
  laneSum(context.field, context.graph.laneIndex.get('desk/mix-out-left/1' as never)!).nominal!;
const carrierOf = (it: WorkPlace, name: string) =>
  deskOfView(it).carriers.find((each) => each.name === name)!.carrier;
const parallel = (it: WorkPlace, units: string, name = 'Desk stereo cue') =>
  ({ does: 'parallel-bus', sum: SUM, wish: { carrier: carrierOf(it, name), units } }) as const;

describe('channels of a console mix', () => {
  it('show and take what is set on them while mixing, both sides of a stereo stem at once', () => {
    const it = stemTyped(onDesk(), 'GTR', 'fader', '-6');
    expect(rowOf(it, 'GTR').knobs).toMatchObject({ fader: '−6', pan: 'L100 / R100', toMix: 'on' });
    expect(it.context.scene.settings).toMatchObject({ 'desk/faderDb/3': -6, 'desk/faderDb/4': -6 });
    expect(rowOf(stemTyped(it, 'GTR', 'pan', 'L60 / R60'), 'GTR').knobs['pan']).toBe('L60 / R60');
    expect(viewOf(it).columns.map(({ id }) => id)).not.toContain('gain');
  });

  it('go to groups side by side: two numbers of a stereo stem are left and right', () => {
    const it = stemTyped(onDesk(), 'GTR', 'groups', '1-2');
    expect(it.context.scene.settings).toMatchObject({ 'desk/group1/3': true, 'desk/group2/4': true });
    expect(it.context.scene.settings['desk/group2/3' as never]).toBeUndefined();
    expect(rowOf(it, 'GTR').knobs['groups']).toBe('1–2');
    const both = stemTyped(onDesk(), 'GTR', 'groups', '1-2 / 1-2');
    expect(rowOf(both, 'GTR').knobs['groups']).toBe('1–2');
    expect(both.context.scene.settings).toMatchObject({ 'desk/group2/3': true, 'desk/group1/4': true });
  });

  it('refuse what does not fit, in words, and change nothing', () => {
    const it = onDesk();
    const said = (name: string, column: string, text: string) => stemCell(it, name, column, text);
    expect(said('GTR', 'pan', 'L / C / R').refused[0]!.sentence).toBe(
      '“L / C / R” names 3 sides, and there are 2. Write one for each, or one for all.',
    );
    expect(said('KICK', 'groups', '9').refused[0]!.sentence).toBe('There is no group 9; there are 4.');
    expect(said('KICK', 'unit', 'no such box').refused[0]!.sentence).toMatch(
      /^No unit is called “no such box”/,
    );
    expect(said('KICK', 'wings', 'on').refused[0]!.sentence).toBe('channel 1 has no column “wings”.');
    for (const text of ['L / C / R', '101']) expect(said('GTR', 'pan', text).edits).toEqual([]);
  });

  it('keep what was set on them when stems are placed again, and stand where the stem stands when they move', () => {
    const it = stemTyped(stemTyped(onDesk(), 'VOX', 'toMix', 'off'), 'VOX', 'pan', 'R80');
    const again = sumDid(it, { does: 'place', sum: SUM });
    expect(rowOf(again, 'VOX').knobs).toMatchObject({ toMix: 'off', pan: 'R80' });
  });

  it('of a summing mixer are its gain, boost and mono switch', () => {
    const it0 = sumPlace();
    const it1 = sumDid(it0, wishFor(it0));
    expect(viewOf(it1).columns.map(({ id }) => id)).toEqual(['gain', 'boost', 'mono']);
    expect(viewOf(it1).desk).toBeUndefined();
    const it2 = stemTyped(it1, 'GTR', 'gain', '-3');
    expect(rowOf(it2, 'GTR').knobs['gain']).toBe('−3');
    expect(viewOf(stemTyped(it2, 'GTR', 'boost', 'on')).remarks[0]).toMatch(/^Boost is in on/);
    expect(stemCell(it1, 'GTR', 'gain', '-4').refused).toHaveLength(1);
  });
});

describe('buses of a console mix', () => {
  const grouped = stemTyped(stemTyped(onDesk(), 'GTR', 'groups', '1-2'), 'GTR', 'toMix', 'off');

  it('are those that stems come to, and the mix', () => {
    expect(deskOfView(grouped).buses.map(({ name, from }) => `${name}: ${from}`)).toEqual([
      'group 1–2: GTR',
      'mix: KICK, BASS, VOX',
    ]);
  });

  it('say when a group leads nowhere, and when a stem comes twice', () => {
    expect(deskOfView(grouped).remarks).toEqual([
      'GTR comes to group 1–2, which leads nowhere: put it to the mix, or patch its output.',
    ]);
    const mixed = busTyped(grouped, 'group 1–2', 'toMix', 'on');
    expect(deskOfView(mixed).remarks).toEqual([]);
    expect(busOf(mixed, 'mix').from).toBe('KICK, BASS, VOX, group 1–2');
    expect(deskOfView(stemTyped(mixed, 'GTR', 'toMix', 'on')).remarks[0]).toMatch(
      /^GTR comes to the mix directly and over group 1–2: twice/,
    );
  });

  // A group at unity adds nothing and takes nothing away: common practice, no source.
  it('at unity leave the mix as it is without them', () => {
    const mixed = busTyped(grouped, 'group 1–2', 'toMix', 'on');
    expect(mixLeft(mixed)).toBeCloseTo(mixLeft(onDesk()), 1);
    expect(mixLeft(busTyped(mixed, 'group 1–2', 'fader', '-60'))).toBeLessThan(mixLeft(mixed) - 0.5);
  });

  it('have an insert each: the unit typed for a pair takes a channel for each side, and goes when emptied', () => {
    const it = busTyped(busTyped(grouped, 'group 1–2', 'toMix', 'on'), 'group 1–2', 'unit', 'four-band');
    expect(busOf(it, 'group 1–2').unit).toBe('Four-band equaliser');
    expect(it.context.threads.every(({ complete }) => complete)).toBe(true);
    expect(it.context.scene.cords.filter(({ thread }) => thread?.startsWith('group-1-2'))).toHaveLength(4);
    const swapped = busTyped(it, 'group 1–2', 'unit', 'bus compressor');
    expect(busOf(swapped, 'group 1–2').unit).toBe('Bus compressor');
    const bare = busTyped(swapped, 'group 1–2', 'unit', '');
    expect(busOf(bare, 'group 1–2').unit).toBe('');
    expect(bare.context.session.threads).toHaveLength(grouped.context.session.threads.length);
  });

  it('are switched in where they were out, and the mix has an insert with two sides', () => {
    const out = busTyped(busTyped(grouped, 'group 1–2', 'toMix', 'on'), 'group 1–2', 'insert', 'out');
    expect(busOf(busTyped(out, 'group 1–2', 'unit', 'four'), 'group 1–2').knobs['insert']).toBe('in');
    const mix = busTyped(onDesk(), 'mix', 'unit', 'bus comp');
    expect(busOf(mix, 'mix').unit).toBe('Bus compressor');
    expect(mix.context.threads.filter(({ thread }) => thread.purpose === 'feed')).toHaveLength(2);
  });

  it('without insert points say what to take instead', () => {
    const it = stemTyped(onDesk({ params: { groupInserts: false } }), 'GTR', 'groups', '1-2');
    expect(busOf(it, 'group 1–2').hasInsert).toBe(false);
    expect(busCell(it, 'group 1–2', 'unit', 'four').refused[0]!.sentence).toMatch(
      /^group 1–2 has no insert point/,
    );
  });

  it('leave a unit where it is when it hangs elsewhere already', () => {
    const taken = busTyped(onDesk(), 'mix', 'unit', 'four');
    const it = stemTyped(taken, 'GTR', 'groups', '1-2');
    const { edits, refused } = busCell(it, 'group 1–2', 'unit', 'four');
    expect(edits).toEqual([]);
    expect(refused).toHaveLength(1);
  });

  it('are VCAs as well, which move what follows them', () => {
    const it = stemTyped(onDesk(), 'VOX', 'vca', 'VCA 2');
    expect(busOf(it, 'VCA 2')).toMatchObject({ kind: 'vca', from: 'VOX', hasInsert: false });
    expect(mixLeft(busTyped(it, 'VCA 2', 'fader', '-40'))).toBeLessThan(mixLeft(it) - 0.5);
  });
});

describe('a parallel bus of a console mix', () => {
  const one = onDesk({ tracks: [track('vox', { number: 1, name: 'VOX', pan: -30 }), DESK_STEMS.at(-1)!] });
  const it0 = onDesk();
  const it1 = sumDid(it0, parallel(it0, 'bus compressor'));

  it('sends every channel behind its fader, where it stands in the mix, and comes back on free channels', () => {
    expect(rowOf(it1, 'VOX').knobs['cue']).toBe('0 post L30');
    expect(rowOf(it1, 'GTR').knobs['cue']).toBe('0 post L100 / 0 post R100');
    expect(busOf(it1, 'stereo cue')).toMatchObject({ unit: 'Bus compressor', leads: 'back on channel 7–8' });
    expect(busOf(it1, 'channel 7–8')).toMatchObject({
      ...{ kind: 'return', from: 'stereo cue' },
      knobs: { fader: '−12', pan: 'L100 / R100', cue: 'off', toMix: 'on' },
    });
    expect(it1.context.threads.every(({ complete }) => complete)).toBe(true);
    expect(parallelBuses(it1.context)).toMatchObject([{ carrier: { id: 'desk' }, pairs: [] }]);
  });

  it('names what stands elsewhere in it', () => {
    const moved = stemTyped(it1, 'VOX', 'pan', 'R20');
    expect(deskOfView(moved).remarks).toEqual([
      'In the parallel bus on the stereo cue, VOX L30 instead of R20. Match its pans, or it pulls the picture aside.',
    ]);
  });

  // A copy 12 dB down on top of itself: 20·log10(1 + 10^(−12/20)) = +1.95 dB. Voltage addition of like signals.
  it('adds to the mix as a copy in phase, brought up from below', () => {
    const wet = sumDid(one, parallel(one, 'bus compressor'));
    expect(mixLeft(wet) - mixLeft(one)).toBeCloseTo(20 * Math.log10(1 + 10 ** (-12 / 20)), 1);
  });

  it('goes over other units when they are typed, and ends when they are emptied', () => {
    const other = busTyped(it1, 'stereo cue', 'unit', 'four-band');
    expect(busOf(other, 'stereo cue').unit).toBe('Four-band equaliser');
    expect(other.context.threads.every(({ complete }) => complete)).toBe(true);
    expect(deskOfView(other).carriers.map(({ name }) => name)).toEqual(['Desk aux 1', 'Desk aux 2']);
    const ended = busTyped(it1, 'stereo cue', 'unit', '');
    expect(deskOfView(ended).buses.map(({ name }) => name)).toEqual(['mix']);
    expect(ended.context.session.threads).toHaveLength(it0.context.session.threads.length);
    expect(mixLeft(ended)).toBeCloseTo(mixLeft(it0), 6);
    const refused = busCell(it1, 'stereo cue', 'unit', 'nothing of the kind');
    expect(refused.edits).toEqual([]);
    expect(refused.refused).toHaveLength(1);
  });

  it('on a mono aux comes back by one channel, in the middle', () => {
    const it = sumDid(it0, parallel(it0, 'four-band A', 'Desk aux 1'));
    expect(rowOf(it, 'VOX').knobs['aux1']).toBe('0 post');
    expect(busOf(it, 'channel 6')).toMatchObject({ kind: 'return', from: 'aux 1', knobs: { pan: 'C' } });
  });

  it('is left out whole where it cannot be', () => {
    const tight = onDesk({ params: { channels: 6 } });
    const full = sumDeed(tight, parallel(tight, 'bus compressor'));
    expect(full.edits).toEqual([]);
    expect(refusals(full)[0]).toMatch(/^No two channels side by side of Desk are free/);
    expect(refusals(sumDeed(it1, parallel(it0, 'four-band')))[0]).toMatch(/is a parallel bus already/);
    const cue = {
      ...{ id: 'band' as CueId, number: 1, name: 'Band', headphones: [], scenes: ['scene' as SceneId] },
      carrier: { on: 'console' as const, device: 'desk' as DeviceId, rows: ['cue'] },
    };
    const heard = then(it0, [editAdd('cue', { session: it0.place.session }, cue)]);
    expect(refusals(sumDeed(heard, parallel(it0, 'four-band')))[0]).toBe(
      'Desk stereo cue carries the cue Band. Choose another bus, or take the cue off it under Track, Cues.',
    );
    const mono = sumDeed(it0, parallel(it0, 'bus compressor A'));
    expect(mono.edits).toEqual([]);
    expect(refusals(mono)[0]).toMatch(/stereo/);
    const other = sumPlace();
    const plain = sumDid(other, wishFor(other));
    const wish: ParallelWish = {
      carrier: { on: 'console', device: 'mixer' as DeviceId, rows: ['cue'] },
      units: 'x',
    };
    expect(refusals(sumDeed(plain, { does: 'parallel-bus', sum: SUM, wish }))[0]).toMatch(
      /cannot carry a parallel bus/,
    );
  });
});

describe('recording a console mix by its direct outs', () => {
  const it0 = onDesk();
  const it1 = sumDid(it0, { does: 'record-channels', sum: SUM });

  it('gives every stem a track and inputs of the host, pairs from an odd number on, and tells how late', () => {
    // Out by a buffer of 64 and 10 samples, in by 12 and 64.
    expect(['KICK', 'BASS', 'GTR', 'VOX'].map((name) => rowOf(it1, name).recorded)).toEqual([
      ...['3, 150 samples', '4, 150 samples', '1–2, 150 samples', '5, 150 samples'],
    ]);
    const made = it1.context.session.tracks.filter(({ name }) => name.endsWith(' desk'));
    expect(made.map(({ name, kind, width }) => `${name} ${kind} ${String(width)}`)).toEqual([
      ...['BASS desk audio 1', 'GTR desk audio 2', 'KICK desk audio 1', 'VOX desk audio 1'],
    ]);
    expect(it1.context.scene.trackStates?.map(({ recordArm }) => recordArm)).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(it1.context.threads.every(({ complete }) => complete)).toBe(true);
  });

  it('leaves scenes in peace in which nothing comes to the new tracks', () => {
    const made = newSceneEdits(it1.studio, it1.place, 'Another', 'empty')!;
    const other = then(it1, made.edits);
    const [session] = other.studio.sessions;
    const scene = session!.scenes.find(({ id }) => id === made.id)!;
    const at = (states?: typeof scene.trackStates) =>
      deadEnd
        .run(workedScene(other.studio.rig, session!, { ...scene, trackStates: states }))
        .filter(({ figures }) => (figures as { what: string }).what === 'input')
        .map((finding) => finding.at[0]!.id);
    expect(at()).toEqual(['print']);
    // Armed there, it would record silence.
    const armed = [{ id: 'vox-desk' as TrackId, recordArm: true, inputMonitor: false }];
    expect(at(armed)).toEqual(['print', 'vox-desk']);
  });

  it('is done once', () => {
    const again = sumDeed(it1, { does: 'record-channels', sum: SUM });
    expect(again.edits).toEqual([]);
    expect(refusals(again)[0]).toMatch(/^No channel has a direct out that nothing records yet/);
  });

  it('says whose fader or VCA shifts what is recorded, unless the direct out lies before it', () => {
    const down = stemTyped(it1, 'VOX', 'fader', '-3');
    expect(deskOfView(down).remarks).toEqual([
      'Recorded by the direct outs, channel faders off unity shift what is recorded: VOX by −3.0 dB. Put them to 0, or take the direct out before the fader.',
    ]);
    expect(deskOfView(stemTyped(down, 'VOX', 'direct', 'on')).remarks).toEqual([]);
    const led = busTyped(stemTyped(it1, 'KICK', 'vca', 'VCA 1'), 'VCA 1', 'fader', '-2');
    expect(deskOfView(led).remarks[0]).toMatch(/KICK by −2\.0 dB/);
  });

  it('leaves a stem out that finds no input, and the others are recorded', () => {
    const tracks = [
      ...DESK_STEMS,
      ...Array.from({ length: 4 }, (_, i) =>
        track(`in-${String(i)}`, {
          ...{ number: 20 + i, name: `IN ${String(i)}`, width: 4, recordArm: true },
          input: { from: 'host', first: 1 + 4 * i },
        }),
      ),
    ];
    const it = deskPlace({ tracks });
    const wish = wishFor(it, { ...ON_DESK, tracks: ['kick', 'bass', 'gtr', 'vox'] as never });
    const plan = sumDeed(sumDid(it, wish), { does: 'record-channels', sum: SUM });
    // Two inputs are left: the stereo stem takes them.
    expect(plan.changes.filter(({ column }) => column === 'recording').map(({ row }) => row)).toEqual([
      'GTR',
    ]);
    expect(plan.refused.map(({ row }) => row)).toEqual(['KICK', 'BASS', 'VOX']);
    expect(refusals(plan)[0]).toMatch(/^No free input of the host can be reached/);
  });
});

describe('what is heard against what is printed', () => {
  it('is the same while nothing stands between', () => {
    expect(viewOf(onDesk()).remarks).toEqual([]);
  });

  it('differs by a unit on the way to the loudspeakers alone', () => {
    expect(viewOf(onDesk({ hasRoomEq: true })).remarks).toEqual([
      'Room equaliser stands on the way to the loudspeakers alone: heard, and not in what is printed. Put it before the print, or mix knowing it.',
    ]);
  });

  it('differs by a chain before the print that the console does not listen to', () => {
    const it = added(onDesk(), 'PRINT: four-band > bus compressor; in line');
    expect(viewOf(it).remarks).toEqual([
      'Four-band equaliser and Bus compressor stand on the way to the print alone: printed, and not heard. Listen to what comes back.',
    ]);
  });

  it('says nothing of units both pass', () => {
    expect(viewOf(busTyped(onDesk(), 'mix', 'unit', 'four-band')).remarks).toEqual([]);
  });
});

describe('stems that share outputs in another sum', () => {
  const tracks = [
    ...['PADS', 'STRINGS'].map((name, i) =>
      track(name.toLowerCase(), { number: i + 1, name, width: 2, kind: 'group' as const }),
    ),
    DESK_STEMS.at(-1)!,
  ];
  const shared = (): WorkPlace => {
    const it = deskPlace({ tracks });
    return sumDid(it, wishFor(it, { school: 'own', layout: [[1, 2]], print: undefined as never }));
  };

  it('cannot stand apart on a console, and are not torn out of that sum', () => {
    const it = shared();
    expect(viewOf(it).rows.map(({ name, place, output }) => [name, place, output])).toEqual([
      ['PADS', '1–2', '1–2'],
      ['STRINGS', '1–2', '1–2'],
    ]);
    const plan = sumDeed(it, wishFor(it, { ...ON_DESK, name: 'Desk mix', print: undefined as never }));
    expect(refusals(plan)).toEqual([
      'STRINGS shares outputs 1–2 with PADS in another sum, so both come together. Give it inputs of its own there first, or leave it out of this one.',
    ]);
    const after = then(it, plan.edits);
    expect(rowOf(after, 'STRINGS')).toMatchObject({ output: '1–2', trouble: '' });
  });

  it('come along where they are no stems, and that is told', () => {
    const it = shared();
    const wish = { ...ON_DESK, name: 'Desk mix', tracks: ['pads' as TrackId], print: undefined as never };
    const after = then(it, sumDeed(it, wishFor(it, wish)).edits);
    const desk = summingView(after.context).sums.find(({ name }) => name === 'Desk mix')!;
    expect(desk.remarks[0]).toBe(
      'STRINGS comes along with PADS: it plays to the same outputs. Mute it, or give PADS outputs of its own.',
    );
  });
});
