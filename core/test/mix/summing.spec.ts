import { sumCells } from '@ft/core/actions/mix/sums/sumCells';
import type { SumCell } from '@ft/core/actions/mix/sums/sumCells';
import { sumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import { removedTrackEdits } from '@ft/core/actions/mix/removedTrack';
import { newSession, templateOf } from '@ft/core/actions/sessions/sessionEdits';
import { ALL_PARTS } from '@ft/core/actions/sessions/sessionParts';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { arrivalsAt, laneSum } from '@ft/core/levels/laneSum';
import { originalsWithReturn } from '@ft/core/mix/sum/originals';
import { sharesOf } from '@ft/core/mix/sum/shares';
import { sumOutputs } from '@ft/core/mix/sum/sumInputs';
import type { BusId, LaneId, TrackId } from '@ft/core/rig/ids';
import { applyChange } from '@ft/core/edits/change';
import { editKnob, editSet } from '@ft/core/edits/make';
import { playbackLevel } from '@ft/core/levels/soundSources';
import { nextBestOf, withNextBest } from '@ft/core/views/mix/nextBest';
import { summingView } from '@ft/core/views/mix/summingView';
import { stripOf } from '@ft/core/views/strip/strip';
import { workedScene } from '@ft/core/scene/workedScene';
import type { Track } from '@ft/core/session/daw/trackSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { track } from '../checks/examples/example';
import { then } from '../fixtures/cuePlace';
import { refusals, tracksOf } from '../fixtures/mixStudio';
import { seeded } from '../fixtures/seeded';
import { describeWithSox, soxRemixDbfs } from '../fixtures/sox';
import { placesAt, rowOf, STEMS, SUM, sumDid, sumPlace, viewOf, wishFor } from '../fixtures/sumStudio';

const placed = (it: WorkPlace, ...args: Partial<Parameters<typeof wishFor>[1]>[]): WorkPlace =>
  sumDid(it, wishFor(it, args[0]));
const cell = (
  it: WorkPlace,
  name: string,
  field: SumCell['field'],
  text: string,
): ReturnType<typeof sumCells> =>
  sumCells(it, [{ sum: SUM, track: name.toLowerCase() as TrackId, field, text }]);
const typed = (it: WorkPlace, name: string, field: SumCell['field'], text: string): WorkPlace =>
  then(it, cell(it, name, field, text).edits);

describe('a sum in the school of two mono', () => {
  const it0 = sumPlace();
  const it1 = placed(it0);

  it('gives the hardest hits and the bass a mono input first, long sounds share, effects the last pair', () => {
    expect(placesAt(it1)).toEqual([
      'KICK 1',
      'BASS 2',
      'SNARE 3–4',
      'OVERHEADS 5–6',
      'PERC 7–8',
      'GTR 9–10',
      'KEYS 9–10',
      'VOX 11–12',
      'PADS 13–14',
      'STRINGS 13–14',
      'PLATE 15–16',
      'HALL 15–16',
    ]);
  });

  it('says why, and what would be next best', () => {
    expect(rowOf(it1, 'KICK')).toMatchObject({ reason: 'hits hardest: alone, and first, on a mono input' });
    expect(rowOf(it1, 'PADS').reason).toBe('long sound: may share, beside STRINGS');
    expect(rowOf(it1, 'HALL').reason).toBe('effects: at the end, beside PLATE');
    expect(nextBestOf(it1.context, SUM, 'kick' as TrackId)).toMatch(/^\d/);
    const [whole] = withNextBest(it1.context, summingView(it1.context));
    expect(whole!.rows.find(({ name }) => name === 'KICK')!.nextBest).toMatch(/^\d/);
    expect(nextBestOf(typed(it1, 'VOX', 'place', '11-12').context, SUM, 'vox' as TrackId)).toBe('');
  });

  it('takes the outputs that wiring leads from, so that nothing is plugged but the print', () => {
    const { context } = it1;
    expect(context.scene.cords).toHaveLength(2);
    expect(viewOf(it1).rows.map(({ place, output }) => place === output)).not.toContain(false);
    expect(context.threads.every(({ complete }) => complete)).toBe(true);
  });

  it('puts single inputs on both sides by their switch, and a mono track between its two outputs on a pair', () => {
    expect(it1.context.scene.settings).toMatchObject({ 'mixer/mono/1': true, 'mixer/mono/2': true });
    expect(it1.context.session.tracks.find(({ id }) => id === 'snare')!.outputs).toEqual([
      { to: 'host', first: 3, width: 2 },
    ]);
  });

  it('moves nothing when nothing changed', () => {
    expect(sumDeed(it1, { does: 'place', sum: SUM }).edits).toEqual([]);
    expect(sumDeed(it1, { does: 'place-anew', sum: SUM }).edits).toEqual([]);
  });

  it('comes back to the print track, and says how late', () => {
    expect(viewOf(it1)).toMatchObject({ print: 'PRINT', remarks: [] });
    // Out by a buffer of 64 and 10 samples, in by 12 and 64.
    expect(rowOf(it1, 'KICK').offset).toBe('150');
  });
});

describe('places', () => {
  const without = (...names: readonly string[]) =>
    sumPlace({ tracks: STEMS.filter(({ name }) => !names.includes(name)) });

  it('stay when a stem comes: it takes a free one', () => {
    const it = sumPlace();
    const tracks = it.context.session.tracks
      .map(({ id }) => id)
      .filter((id) => id !== 'gtr' && id !== 'print');
    const one = placed(it, { tracks });
    const more = sumDid(one, { does: 'add-stems', sum: SUM, tracks: ['gtr' as TrackId] });
    for (const name of viewOf(one).rows.map((row) => row.name))
      expect(rowOf(more, name).place).toBe(rowOf(one, name).place);
    expect(rowOf(more, 'GTR').place).not.toBe('');
  });

  it('name their lines by the stems they carry, unless somebody named them', () => {
    const it = placed(without('GTR', 'KEYS'));
    const line = (place: WorkPlace, output: number) =>
      place.context.session.threads.find(({ from }) => from === `daw/output/${String(output)}`)!;
    const [first] = rowOf(it, 'PADS').output.split('–').map(Number);
    expect(line(it, first!).source).toBe('PADS left');
    const moved = typed(it, 'STRINGS', 'place', rowOf(it, 'PADS').place);
    expect(line(moved, first!).source).toBe('STRINGS left');
    const { id, source } = line(it, first!);
    const named = then(it, [
      editSet('thread', { session: it.place.session }, id, {
        field: 'source',
        value: 'Soft ones',
        was: source,
      }),
    ]);
    const kept = typed(named, 'STRINGS', 'place', rowOf(it, 'PADS').place);
    expect(line(kept, first!).source).toBe('Soft ones');
  });

  it('are free again when a stem goes, with its lines', () => {
    const it = sumDid(placed(without('GTR', 'KEYS')), {
      does: 'remove-stem',
      sum: SUM,
      track: 'vox' as TrackId,
    });
    expect(viewOf(it).freeInputs).not.toBe('');
    expect(it.context.session.threads.some(({ source }) => source.startsWith('VOX'))).toBe(false);
  });

  it('that are typed win: whoever stood there moves, and neither moves again', () => {
    const it = typed(placed(without('GTR', 'KEYS', 'HALL')), 'VOX', 'place', '3-4');
    expect(rowOf(it, 'VOX')).toMatchObject({ place: '3–4', isTyped: true, reason: 'typed' });
    expect(rowOf(it, 'SNARE').place).not.toBe('3–4');
    const anew = sumDid(it, { does: 'place-anew', sum: SUM });
    expect(rowOf(anew, 'VOX').place).toBe('3–4');
    expect(rowOf(typed(it, 'VOX', 'place', ''), 'VOX').isTyped).toBe(false);
  });

  it('follow what a stem is said to sound like, when they are given anew', () => {
    const it = sumDid(typed(placed(sumPlace()), 'PADS', 'sound', 'lead'), { does: 'place-anew', sum: SUM });
    const { place } = rowOf(it, 'PADS');
    expect(viewOf(it).rows.filter((row) => row.place === place)).toHaveLength(1);
  });

  it('change with the school', () => {
    const it = sumDid(placed(sumPlace()), { does: 'place-anew', sum: SUM, school: 'all pairs' });
    expect(viewOf(it).rows.every(({ place }) => place.includes('–'))).toBe(true);
    const own = sumDid(it, {
      does: 'place-anew',
      sum: SUM,
      school: 'own',
      layout: [[1], [2], [3], [4], [5, 6], [7, 8], [9, 10], [11, 12], [13, 14], [15, 16]],
    });
    expect(['KICK', 'SNARE', 'BASS', 'VOX'].map((name) => rowOf(own, name).place).sort()).toEqual([
      '1',
      '2',
      '3',
      '4',
    ]);
  });

  it('are kept over ten songs of a template', () => {
    const first = placed(sumPlace());
    const [session] = first.studio.sessions;
    const made = (studio: Studio, plan: ReturnType<typeof newSession>): Studio => {
      if (!plan.ok) throw new Error(plan.sentence);
      const changed = applyChange(studio, plan.value.edits);
      if (!changed.ok) throw new Error('it does not hold together');
      return changed.value;
    };
    let studio = made(first.studio, templateOf(first.studio, session!, 'Song', ALL_PARTS));
    const named = (name: string) => studio.sessions.find((each) => each.name === name)!;
    for (let song = 1; song <= 10; song++)
      studio = made(
        studio,
        newSession(studio, `Song ${String(song)}`, {
          from: song === 1 ? named('Song') : named(`Song ${String(song - 1)}`),
        }),
      );
    expect(named('Song 10').sums.map(({ stems }) => stems)).toEqual(session!.sums.map(({ stems }) => stems));
    expect(named('Song 10').tracks.map(({ outputs }) => outputs)).toEqual(
      session!.tracks.map(({ outputs }) => outputs),
    );
  });

  it('go with their track', () => {
    const it = placed(sumPlace());
    const after = then(
      it,
      removedTrackEdits(
        it,
        it.context.session.tracks.find(({ id }) => id === 'kick')!,
      ),
    );
    expect(viewOf(after).rows.map(({ name }) => name)).not.toContain('KICK');
    const unprinted = then(
      after,
      removedTrackEdits(
        after,
        after.context.session.tracks.find(({ id }) => id === 'print')!,
      ),
    );
    expect(viewOf(unprinted).remarks).toEqual(['Nothing records the sum: say which track prints it.']);
  });
});

describe('the strip of a line to a sum', () => {
  const it1 = placed(sumPlace({ tracks: STEMS.map((stem) => ({ ...stem, crestDb: 14 })) }));
  const stripAt = (name: string) => {
    const { thread } = it1.context.threads.find((each) => each.thread.source.startsWith(name))!;
    return stripOf(it1.context, { kind: 'thread', id: thread.id })!;
  };

  it('carries what its stem plays, so that no level is asked for', () => {
    const { hops, gaps } = stripAt('KICK');
    const [first] = hops;
    const kick = it1.context.session.tracks.find(({ name }) => name === 'KICK')!;
    const { levelDbfs = NaN } = playbackLevel(it1.context.session, kick);
    const nominal = levelDbfs + kick.faderDb;
    expect(first).toMatchObject({ unit: 'dBFS', nominal });
    expect(first!.peak).toBeCloseTo(nominal + 14 - 10 * Math.log10(2), 9);
    expect(gaps.filter((gap) => gap.includes('level is given'))).toEqual([]);
    const mixer = laneSum(it1.context.field, it1.context.graph.laneIndex.get('mixer/in-1/1' as LaneId)!);
    expect(hops.find(({ lane }) => lane === 'mixer/in-1/1')!.nominal).toBeCloseTo(mixer.nominal!, 9);
  });

  it('carries all the stems of its place', () => {
    const { index } = it1.context.graph.lanes.find(({ id }) => id === stripAt('PADS').hops[0]!.lane)!;
    const { nominal, sources } = laneSum(it1.context.field, index);
    expect(sources).toHaveLength(2);
    expect(stripAt('PADS').hops[0]!.nominal).toBeCloseTo(nominal!, 9);
  });
});

describe('originals beside their return', () => {
  // Output 19 and 20 are heard, the stems have the first sixteen.
  const heard = { to: 'host', first: 19, width: 2 } as const;
  const toFx = { to: 'bus', bus: 'fx' as BusId } as const;
  const withTrack = (it: WorkPlace, name: string, change: Partial<Track>): WorkPlace => {
    const rows = it.context.session.tracks.map((each) =>
      each.name === name ? { ...each, ...change } : each,
    );
    const session = { ...it.context.session, tracks: rows };
    return { ...it, context: workedScene(it.studio.rig, session, it.context.scene, it.studio.floor) };
  };
  const outputsOf = (it: WorkPlace, name: string): Track['outputs'] =>
    it.context.session.tracks.find((each) => each.name === name)!.outputs;
  const printed = withTrack(placed(sumPlace()), 'PRINT', { outputs: [heard] });
  const stray = withTrack(printed, 'VOX', { outputs: [...outputsOf(printed, 'VOX'), heard] });

  it('are told with the output both come out of', () => {
    expect(viewOf(printed).remarks).toEqual([]);
    expect(viewOf(stray).remarks).toEqual([
      'VOX comes out of output 19–20 with PRINT: original and return sound together, and the return is later. Take that output off under Mix, Tracks.',
    ]);
  });

  it('are found over a bus, and not where nothing leaves the fader', () => {
    const aux = track('aux', {
      ...{ number: 20, name: 'AUX', kind: 'aux', width: 2 },
      ...{ input: { from: 'bus', bus: 'fx' as BusId }, outputs: [heard] },
    });
    const session = {
      ...printed.context.session,
      buses: [{ id: 'fx' as BusId, name: 'FX', width: 2 } as const],
      tracks: [...printed.context.session.tracks, aux],
    };
    const bussed: WorkPlace = { ...printed, context: { ...printed.context, session } };
    const sent = withTrack(bussed, 'GTR', { outputs: [...outputsOf(bussed, 'GTR'), toFx] });
    expect(originalsWithReturn(sent.context, sent.context.session.sums[0]!)).toMatchObject([
      { track: { name: 'GTR' }, outputs: [19, 20] },
    ]);
    for (const shut of [withTrack(sent, 'GTR', { muted: true }), withTrack(sent, 'AUX', { muted: true })])
      expect(viewOf(shut).remarks).toEqual([]);
  });
});

describe('what cannot be', () => {
  it('more stems than inputs and nothing may share: the sentence names the way out', () => {
    const it = sumPlace({ inputs: 4, tracks: tracksOf(['KICK', 'SNARE', 'BASS', 'VOX']) });
    const { refused } = sumDeed(it, wishFor(it, { print: undefined as never }));
    expect(refused[0]!.sentence).toMatch(
      /^No place is left for it: 3 stems have theirs, and none of them may share with it\. Call it a long sound or an effect, group it with another under Mix, Tracks, or take another school/,
    );
  });

  it('mono places without a mono switch', () => {
    const params = { inputsPerBus: 4, stereo: true, makeUp: true };
    const it = sumPlace({ inputs: 8, mixer: 'passiveSumming', params, tracks: tracksOf(['KICK', 'BASS']) });
    const view = viewOf(placed(it, { print: undefined as never }));
    expect(view.rows.every(({ place }) => place.includes('–'))).toBe(true);
  });

  it.each([
    ['place', '17', 'There is no input 17: the sum has 16.'],
    ['place', '3-9', '“3-9” is no place of a sum. Write one input, 3, or two side by side, 3–4.'],
    ['place', '5', 'GTR is stereo and takes two inputs side by side: write 5–6.'],
    ['sound', 'loud', '“loud” is no kind of sound. Did you mean “long”, “lead”?'],
    ['fader', '+40', 'A fader goes from off to +24 dB.'],
  ] as const)('a cell “%s” with “%s” is refused', (field, text, sentence) => {
    const { edits, refused } = cell(placed(sumPlace()), 'GTR', field, text);
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(sentence);
  });

  it.each([
    [{ name: ' ' }, 'A sum needs a name.'],
    [{ mixers: [] }, 'Choose a summing mixer, or a console that is used as one.'],
    [
      { mixers: ['converter'] },
      'Converter has no inputs to sum by. Choose a summing mixer or a console with line inputs.',
    ],
    [{ tracks: [] }, 'Choose the tracks that are to be summed.'],
    [{ school: 'own' }, 'A school of your own needs its places: 1, 2, 3–4, 5–6.'],
  ])('a sum from %j', (wish, sentence) => {
    const it = sumPlace();
    expect(refusals(sumDeed(it, wishFor(it, wish as never)))).toEqual([sentence]);
  });
});

describe('who takes how much', () => {
  it('is the energy each place brings to the sum, and what it would be without', () => {
    const tracks = [
      track('kick', { name: 'KICK', levelDbfs: -18 }),
      track('bass', { number: 2, name: 'BASS', levelDbfs: -18 + 10 * Math.log10(0.35 / 0.65) }),
    ];
    const it = placed(sumPlace({ tracks }), { print: undefined as never });
    // One source with 65 % of the energy lies 1.9 dB under the sum (numbers, derived); 1/(1 − 0.65) is 4.56 dB.
    expect(rowOf(it, 'KICK')).toMatchObject({
      share: '65.0 %',
      underSum: '−1.9 dB',
      without: '4.6 dB',
      isTooMuch: true,
    });
    expect(viewOf(it).remarks[0]).toMatch(/^KICK takes 65\.0 % of the sum/);
    expect(rowOf(it, 'BASS').isTooMuch).toBe(false);
  });

  it('adds to the whole, whatever the gains', () => {
    const dice = seeded(5);
    for (let run = 0; run < 8; run++) {
      const tracks = tracksOf(['KICK', 'SNARE', 'BASS', 'VOX', 'GTR']).map((each) => ({
        ...each,
        levelDbfs: -30 + dice.below(20),
      }));
      const it = placed(
        sumPlace({
          tracks,
          more: {
            settings: { 'mixer/inputGainDb/1': dice.pick([-6, 0, 6]), 'mixer/boost/3': dice.chance(0.5) },
          },
        }),
        { print: undefined as never },
      );
      const total = sharesOf(it.context, it.context.session.sums[0]!).reduce(
        (sum, { share }) => sum + share,
        0,
      );
      expect(total).toBeCloseTo(1, 9);
      // Redone from the sum itself: the sound of each track at the outputs, as power.
      const outs = sumOutputs(it.context, it.context.session.sums[0]!);
      const { field } = it.context;
      const energy = (name?: string): number =>
        outs.reduce(
          (all, out) =>
            all +
            arrivalsAt(field, out)
              .filter(
                ({ source }) => name === undefined || field.sources[source]!.track === name.toLowerCase(),
              )
              .reduce(
                (sum, { source, gainDb }) => sum + 10 ** ((field.sources[source]!.nominal! + gainDb) / 10),
                0,
              ),
          0,
        );
      for (const { name, share } of viewOf(it).rows)
        expect(Number(share.replace(' %', ''))).toBeCloseTo((energy(name) / energy()) * 100, 0);
    }
  });
});

describeWithSox('shares of noise, rendered through the sum and measured by sox', () => {
  it('is what is missing where each is taken out', () => {
    const RATE_HZ = 48_000;
    const levels = { KICK: -14, BASS: -17, VOX: -20, GTR: -23 } as const;
    const names = Object.keys(levels) as (keyof typeof levels)[];
    const tracks = names.map((name, i) =>
      track(name.toLowerCase(), {
        number: i + 1,
        name,
        levelDbfs: levels[name],
        ...(i > 1 && { pan: i === 2 ? -100 : 100 }),
      }),
    );
    const it = placed(sumPlace({ tracks }), { print: undefined as never });
    const { field, graph } = it.context;
    const outs = sumOutputs(it.context, it.context.session.sums[0]!);
    const gain = (name: string, side: 0 | 1): number => {
      const arrivals = arrivalsAt(field, outs[side]!).filter(
        ({ source }) => field.sources[source]!.track === name.toLowerCase(),
      );
      return arrivals.reduce((sum, { gainDb }) => sum + 10 ** (gainDb / 20), 0);
    };
    const dice = seeded(77);
    const noise = names.map((name) => {
      const rms = 10 ** (levels[name] / 20) / Math.SQRT2;
      // Uniform noise has an RMS of a third of its span by the root of three.
      return Float64Array.from({ length: 4 * RATE_HZ }, () => (2 * dice.roll() - 1) * rms * Math.sqrt(3));
    });
    const rendered = (without?: number): number => {
      const side = (s: 0 | 1): Float64Array =>
        noise[0]!.map((_, n) =>
          names.reduce(
            (sum, name, i) => (i === without ? sum : sum + noise[i]![n]! * gain(name, s) * 0.1),
            0,
          ),
        );
      const [left, right] = [side(0), side(1)];
      const power = (remix: string): number => 10 ** (soxRemixDbfs(left, right, remix, RATE_HZ) / 10);
      return power('1') + power('2');
    };
    const whole = rendered();
    names.forEach((name, i) => {
      const share = (1 - rendered(i) / whole) * 100;
      expect(share).toBeCloseTo(Number(rowOf(it, name).share.replace(' %', '')), 0);
    });
    expect(laneSum(field, graph.stations.find(({ role }) => role === 'sum')!.in).nominal).toBeDefined();
  });
});

describe('faders', () => {
  it('go to unity with the balance kept, by a trim behind the inserts', () => {
    const tracks = STEMS.map((each) =>
      each.name === 'VOX'
        ? { ...each, faderDb: -23, inserts: [{ kind: 'plugin', name: 'Comp', delaySamples: 0 } as const] }
        : each,
    );
    const it = placed(sumPlace({ tracks }));
    const unity = sumDid(it, { does: 'to-unity', sum: SUM });
    expect(rowOf(unity, 'VOX')).toMatchObject({
      fader: '0',
      share: rowOf(it, 'VOX').share,
      level: rowOf(it, 'VOX').level,
    });
    expect(unity.context.session.tracks.find(({ name }) => name === 'VOX')!.inserts).toMatchObject([
      { name: 'Comp' },
      { name: 'Trim after the inserts', gainDb: -23 },
    ]);
    expect(sumDeed(unity, { does: 'to-unity', sum: SUM }).edits).toEqual([]);
  });

  it('have no room for a trim where all ten slots are filled', () => {
    const inserts = Array.from(
      { length: 10 },
      (_, i) => ({ kind: 'plugin', name: `P${String(i)}`, delaySamples: 0 }) as const,
    );
    const tracks = STEMS.map((each) => (each.name === 'VOX' ? { ...each, faderDb: -23, inserts } : each));
    expect(refusals(sumDeed(placed(sumPlace({ tracks })), { does: 'to-unity', sum: SUM }))).toEqual([
      'VOX has no slot left for a trim. Free one, and try again.',
    ]);
  });
});

describe('a chain of mixers', () => {
  const chain = (isLinked: boolean): WorkPlace =>
    sumPlace({
      tracks: STEMS.filter(({ kind }) => kind !== 'aux'),
      more: {
        devices: [{ id: 'second', name: 'Second mixer', type: 'summingMixer', params: { inputs: 4 } }],
        wires: [
          ...[1, 2, 3, 4].map(
            (n) => [`out/lower-rear-${String(16 + n)}/1`, `second/in-${String(n)}/1`] as const,
          ),
          ...(isLinked
            ? ([
                ['second/link-out-left/1', 'mixer/link-in-left/1'],
                ['second/link-out-right/1', 'mixer/link-in-right/1'],
              ] as const)
            : []),
        ],
      },
    });
  const wish = { mixers: ['mixer', 'second'] as never, school: 'two mono, rest pairs' } as const;

  it('counts its inputs on, and each brings its energy to what is printed', () => {
    const it = placed(chain(true), wish);
    expect(viewOf(it)).toMatchObject({ inputCount: 20, remarks: [] });
    const last = viewOf(it).rows.filter(({ place }) => /^(17|19)/.test(place));
    expect(last.length).toBeGreaterThan(0);
    expect(last.every(({ share }) => share !== '')).toBe(true);
  });

  it('says where the bus is not handed on', () => {
    expect(viewOf(placed(chain(false), wish)).remarks).toEqual([
      'Second mixer does not hand its bus on to Summing mixer: wire expansion out to expansion in.',
    ]);
  });
});

describe('a console used as a mixer', () => {
  /** Six channels whose line inputs come up on a bay, half normalled from the converter. */
  const desk = (
    tracks = [
      ...tracksOf(['KICK', 'BASS']),
      track('gtr', { number: 3, name: 'GTR', width: 2 }),
      track('vox', { number: 4, name: 'VOX', pan: -30 }),
    ],
  ): WorkPlace => {
    const more = {
      devices: [
        {
          id: 'desk',
          name: 'Desk',
          type: 'splitConsole',
          params: { channels: 6, groups: 2, auxes: 2 },
        },
      ],
      wires: [1, 2, 3, 4, 5, 6].map(
        (n) => [`out/lower-rear-${String(16 + n)}/1`, `desk/line-${String(n)}/1`] as const,
      ),
    };
    return sumPlace({ tracks, more });
  };
  const onDesk = { mixers: ['desk'] as never, school: 'track for track', print: undefined as never } as const;

  it('takes track for track into channels: stereo ones on a pair, each where it stands, listening to the line and in the mix', () => {
    const it = placed(desk(), onDesk);
    expect(placesAt(it)).toEqual(['KICK 1', 'BASS 2', 'GTR 3–4', 'VOX 5']);
    expect(rowOf(it, 'GTR').reason).toBe('in the order of the tracks');
    expect(it.context.scene.settings).toMatchObject({
      ...{ 'desk/channelInput/1': 2, 'desk/toMix/1': true },
      ...{ 'desk/pan/3': -100, 'desk/pan/4': 100, 'desk/pan/5': -30 },
    });
    expect(it.context.threads.every(({ complete }) => complete)).toBe(true);
  });

  it('shows what each brings to its mix, faders counted', () => {
    const it = placed(desk(), onDesk);
    const total = viewOf(it).rows.reduce((sum, { share }) => sum + Number(share.replace(' %', '') || 0), 0);
    expect(total).toBeCloseTo(100, 0);
    const down = then(it, [editKnob(it.place, { key: 'desk/faderDb/1' as never, value: -20, was: null })]);
    expect(Number(rowOf(down, 'KICK').share.replace(' %', ''))).toBeLessThan(2);
  });

  it('leaves out whoever finds no channel, and a typed one stays', () => {
    const it = desk([
      ...tracksOf(['A', 'B', 'C', 'D', 'E']),
      track('wide', { number: 6, name: 'WIDE', width: 2 }),
    ]);
    expect(sumDeed(it, wishFor(it, onDesk)).refused[0]!.sentence).toMatch(
      /^No place is left for it: 5 stems have theirs/,
    );
    const moved = typed(placed(desk(), onDesk), 'VOX', 'place', '6');
    expect(rowOf(sumDid(moved, { does: 'place-anew', sum: SUM }), 'VOX').place).toBe('6');
  });
});
