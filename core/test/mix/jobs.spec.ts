import { jobCells } from '@ft/core/actions/mix/jobs/jobCells';
import type { JobCell } from '@ft/core/actions/mix/jobs/jobCells';
import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { removedTrackEdits } from '@ft/core/actions/mix/removedTrack';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { laneSum } from '@ft/core/levels/laneSum';
import type { JobId } from '@ft/core/rig/ids';
import { chainText } from '@ft/core/views/mix/chainText';
import { insertsView } from '@ft/core/views/mix/insertsView';
import { hardwareSlot, track } from '../checks/examples/example';
import { then } from '../fixtures/cuePlace';
import { added, did, FREE, mixPlace, pairs, refusals, stand, tracksOf } from '../fixtures/mixStudio';

const processorsOf = (it: WorkPlace, number: number): readonly string[] =>
  stand(it, number).lines.map(({ stations }) =>
    stations
      .filter(({ role }) => role === 'processor')
      .map(({ name }) => name)
      .join(' > '),
  );
const NARR = 'narr-job' as JobId;
const cell = (it: WorkPlace, field: JobCell['field'], text: string, job = NARR): WorkPlace =>
  then(it, jobCells(it, [{ job, field, text }]).edits);
const refusedCell = (it: WorkPlace, field: JobCell['field'], text: string): string | undefined =>
  jobCells(it, [{ job: NARR, field, text }]).refused[0]?.sentence;
const stereo = tracksOf(['DX', 'MX'], 2);

describe('a job typed in one line', () => {
  it('gets channels of one number, lines that run over its units in order, and its slot', () => {
    const it = added(mixPlace(), 'narr: valve a > opto > fast');
    const { slot, slotNumber, lines, job } = stand(it, 1);
    expect(pairs(it)).toEqual(['1/1']);
    expect(chainText(it.context, job)).toBe('Valve equaliser A > Opto compressor > Fast compressor');
    expect([slotNumber, slot?.job]).toEqual([1, 'narr-job']);
    expect(processorsOf(it, 1)).toEqual(['Valve equaliser A > Opto compressor > Fast compressor']);
    expect(lines[0]!.thread).toMatchObject({ purpose: 'insert', from: 'daw/output/1', job: 'narr-job' });
  });

  it('puts a stereo track over both channels of a unit, on a pair, side by side', () => {
    const it = added(
      mixPlace({ tracks: [...tracksOf(['NARR']), ...stereo] }),
      'NARR: opto',
      'DX: bus compressor',
    );
    expect(pairs(it)).toEqual(['1/1', '3/3']);
    expect(processorsOf(it, 2)).toEqual(['Bus compressor A', 'Bus compressor B']);
    expect(stand(it, 2).lines[1]!.thread.link?.place).toBe(2);
  });

  it('takes two mono units for two sides, and a free channel before one that is taken', () => {
    const it = added(mixPlace({ tracks: [...stereo, ...tracksOf(['NARR', 'LAMP'])] }), 'DX: opto + fast');
    expect(processorsOf(it, 1)).toEqual(['Opto compressor', 'Fast compressor']);
    const more = added(it, 'NARR: valve', 'LAMP: valve');
    expect(processorsOf(more, 2).concat(processorsOf(more, 3))).toEqual([
      'Valve equaliser A',
      'Valve equaliser B',
    ]);
  });

  it('reads slot, kind, level and state behind the chain', () => {
    const it = added(mixPlace(), 'NARR: opto; slot 4; parallel −8; at +2; commit');
    expect(stand(it, 1).job).toMatchObject({
      ...{ at: { in: 'slot', slot: 4 }, parallel: { dryDb: 0, wetDb: -8 }, sweetDbu: 2, state: 'to commit' },
    });
    expect(pairs(it)).toEqual(['waiting']);
  });

  it('names the track that carries a bus', () => {
    const group = track('dx', {
      ...{ number: 9, name: 'DX', kind: 'group', width: 2, input: { from: 'bus', bus: 'dialogue' as never } },
    });
    const session = { buses: [{ id: 'dialogue', name: 'Dialogue', width: 2 }] } as never;
    const it = added(mixPlace({ tracks: [group], session }), 'Dialogue: bus compressor');
    expect(stand(it, 1).track.name).toBe('DX');
  });

  // What a person may type that cannot be: each sentence names the way out.
  it.each([
    ['NARR opto', /^Write the track, a colon/],
    ['NARATOR: opto', /^No track or bus is called “NARATOR”\. Did you mean “NARR”/],
    ['NARR: otpo compressor', /^No unit is called “otpo compressor”\. Did you mean “Opto compressor”/],
    ['NARR: opto > valve > opto', /^Opto compressor stands twice in this chain.*commit the first\.$/],
    [
      'DX: opto',
      /^DX is stereo, and Opto compressor is one channel\..*such as Bus compressor, Valve equaliser,/,
    ],
    ['DX: opto + fast + valve', /^DX is stereo, and “opto \+ fast \+ valve” names 3 units/],
    ['NARR: opto + fast', /^NARR is mono, and “opto \+ fast” names 2 units/],
    ['NARR: opto; mid/side', /^NARR is not stereo.*Leave mid\/side out\.$/],
    ['NARR: opto; slot 11', /^“slot 11” is no place for a chain\. Write a slot from 1 to 10/],
    ['NARR: opto; parallel 120 %', /between 0 and 100 %\.$/],
    ['NARR: opto; parallel +20', /dry and wet lie between −60 and \+12 dB\.$/],
    ['NARR: opto; at +50', /type a level from −40 to \+30 dBu\.$/],
    ['NARR: opto; twice', /^“twice” is not understood\. Behind the chain stand slot 3/],
    ['NARR:', /^A chain has a unit\./],
  ])('“%s” is refused in words', (text, sentence) => {
    const it = mixPlace({ tracks: [...tracksOf(['NARR']), ...stereo] });
    const plan = jobDeed(it, { does: 'add-job', text });
    expect(plan.edits).toEqual([]);
    expect(refusals(plan)[0]).toMatch(sentence);
  });

  it('says which bus no track carries', () => {
    const session = { buses: [{ id: 'dialogue', name: 'Dialogue', width: 2 }] } as never;
    const plan = jobDeed(mixPlace({ session }), { does: 'add-job', text: 'Dialogue: bus compressor' });
    expect(refusals(plan)[0]).toMatch(/^No track carries the bus Dialogue.*Add a group or aux track/);
  });
});

describe('channels', () => {
  it('stay where they are when nothing changed, and when another job comes', () => {
    const it = added(mixPlace({ tracks: tracksOf(['NARR', 'LAMP', 'FOLEY']) }), 'NARR: opto', 'LAMP: fast');
    expect(jobDeed(it, { does: 'bring-up' }).edits).toEqual([]);
    const before = pairs(it);
    expect(pairs(added(it, 'FOLEY: valve')).slice(0, 2)).toEqual(before);
  });

  it('are what wiring leads to where there is no bay', () => {
    const it = added(mixPlace({ isWired: true }), 'NARR: fast', 'LAMP: valve b');
    expect(pairs(it)).toEqual(['6/6', '3/3']);
  });

  it('are none where a strict host cannot line them up, and two on a free one', () => {
    const crossed = {
      isWired: true,
      units: [['a', 'Crossed unit', 1]] as const,
      more: { devices: [{ id: 'b', name: 'Other unit', type: 'dynamics', params: { channels: 1 } }] },
    };
    const wires = [
      ['converter/line-out-1/2', 'b/in-1/1'],
      ['b/out-1/1', 'converter/line-in-1/3'],
    ] as const;
    const mix = { ...crossed, more: { ...crossed.more, wires } };
    const strict = jobDeed(mixPlace(mix), { does: 'add-job', text: 'NARR: other unit' });
    expect(refusals(strict)[0]).toMatch(
      /^The chain goes out over 2 and comes back over 3, and this kind of host needs one number for both\..*free pairs/,
    );
    expect(pairs(added(mixPlace({ ...mix, session: { hostProfile: FREE } }), 'NARR: other unit'))).toEqual([
      '2/3',
    ]);
  });

  it('say who has them where none is free', () => {
    const tracks = tracksOf(['NARR', 'LAMP', 'FOLEY']);
    const it = added(mixPlace({ channels: 2, tracks }), 'NARR: opto', 'LAMP: fast');
    const plan = jobDeed(it, { does: 'add-job', text: 'FOLEY: valve' });
    expect(refusals(plan)[0]).toMatch(
      /^No channel of the converter is free with one number out and in; LAMP, NARR use what would do\. .*commit a job first\.$/,
    );
  });

  it('leave inputs that a track will record from to the last', () => {
    const idle = [track('narr', { input: { from: 'host', first: 1 } }), ...tracksOf(['LAMP'], 1, 2)];
    expect(pairs(added(mixPlace({ tracks: idle }), 'LAMP: opto'))).toEqual(['2/2']);
    expect(pairs(added(mixPlace({ channels: 1, tracks: idle }), 'LAMP: opto'))).toEqual(['1/1']);
    const armed = [
      track('narr', { input: { from: 'host', first: 1 }, recordArm: true }),
      ...tracksOf(['LAMP'], 1, 2),
    ];
    expect(pairs(added(mixPlace({ channels: 1, tracks: armed }), 'LAMP: opto'))).toEqual(['waiting']);
  });
});

describe('trims', () => {
  const LOUD = [track('narr', { levelDbfs: -12 })];
  const levels = (it: WorkPlace): readonly (number | undefined)[] =>
    ['pre', 'slot-1'].map(
      (point) =>
        laneSum(it.context.field, it.context.graph.laneIndex.get(`daw/track-narr-${point}/1` as never)!)
          .nominal,
    );

  it('put the first unit at its level and leave the track as loud as it was', () => {
    // −12 dBFS where 0 dBFS is +22 dBu: +10 dBu, less what the 10 kΩ take of 75 Ω; wanted is +4.
    const it = added(mixPlace({ tracks: LOUD }), 'NARR: opto');
    const { slot } = stand(it, 1);
    expect(slot).toMatchObject({ sendTrimDb: -5.9, returnTrimDb: 5.9 });
    const [before, behind] = levels(it);
    expect(behind! - before!).toBeCloseTo(0, 0);
  });

  it('are gain plug-ins before and behind on a host that has none', () => {
    const hostProfile = { ...FREE, trims: false };
    const it = added(mixPlace({ tracks: LOUD, session: { hostProfile } }), 'NARR: opto');
    const [narr] = it.context.session.tracks;
    expect(narr!.inserts.map((slot) => (slot?.kind === 'plugin' ? slot.gainDb : slot?.kind))).toEqual([
      -5.9,
      'hardware',
      5.9,
    ]);
    expect(insertsView(it.context).rows[0]).toMatchObject({ at: '2', sendTrim: '−5.9', returnTrim: '+5.9' });
    expect(did(it, { does: 'take-down', job: NARR }).context.session.tracks[0]!.inserts).toEqual([]);
  });

  it('are refused out of range, with what to do', () => {
    const it = added(mixPlace({ tracks: LOUD }), 'NARR: opto');
    expect(refusedCell(it, 'sendTrim', '-30')).toMatch(/^A trim of −30\.0 dB is out of range: at most 24 dB/);
    expect(refusedCell(it, 'sendTrim', 'much')).toMatch(/no trim\. Type decibels/);
    expect(stand(cell(it, 'returnTrim', '3'), 1).slot).toMatchObject({ sendTrimDb: -5.9, returnTrimDb: 3 });
  });

  it('follow when the unit is wanted at another level', () => {
    const it = cell(added(mixPlace({ tracks: LOUD }), 'NARR: opto'), 'sweet', '+8');
    expect(stand(it, 1).slot).toMatchObject({ sendTrimDb: -1.9, returnTrimDb: 1.9 });
  });
});

describe('cells of the insert sheet', () => {
  const it1 = (): WorkPlace => added(mixPlace(), 'NARR: opto > fast');

  it('read back what they show', () => {
    const it = added(
      mixPlace({ tracks: [...tracksOf(['NARR']), ...stereo] }),
      'NARR: opto; parallel 40 %',
      'DX: bus compressor; mid/side',
    );
    for (const row of insertsView(it.context).rows)
      for (const [field, text] of [
        ['chain', row.chain],
        ['kind', row.kind],
        ['at', row.at],
        ['state', row.state],
        ['sweet', row.sweet],
        ['sendTrim', row.sendTrim],
        ['returnTrim', row.returnTrim],
      ] as const) {
        const { edits, refused } = jobCells(it, [{ job: row.id, field, text }]);
        expect(refused).toEqual([]);
        expect(insertsView(then(it, edits).context).rows).toEqual(insertsView(it.context).rows);
      }
  });

  it('change the chain of a job that is up, and it comes back', () => {
    const it = cell(it1(), 'chain', 'valve a > opto');
    expect(processorsOf(it, 1)).toEqual(['Valve equaliser A > Opto compressor']);
    expect(pairs(it)).toEqual(['1/1']);
  });

  it('move the slot among the plug-ins', () => {
    const plugins = [{ kind: 'plugin', name: 'De-ess', delaySamples: 0 } as const];
    const it = cell(
      added(mixPlace({ tracks: [track('narr', { inserts: [...plugins] })] }), 'NARR: opto'),
      'at',
      '1',
    );
    expect(it.context.session.tracks[0]!.inserts.map((slot) => slot?.kind)).toEqual(['hardware', 'plugin']);
    expect(refusedCell(it, 'at', 'eleven')).toMatch(/no place for a chain/);
  });

  it('free the units of what is committed', () => {
    const it = cell(it1(), 'state', 'committed');
    expect(it.context.session.threads).toEqual([]);
    expect(it.context.scene.cords).toEqual([]);
    expect(it.context.session.tracks[0]!.inserts).toEqual([]);
    expect(refusedCell(it, 'state', 'gone')).toMatch(/write live, to commit, committed/);
  });

  it('take lengths as minutes and seconds', () => {
    expect(stand(cell(it1(), 'length', '4:30'), 1).job.lengthS).toBe(270);
    expect(stand(cell(it1(), 'length', '2,5'), 1).job.lengthS).toBe(150);
    expect(refusedCell(it1(), 'length', '30:00:00')).toMatch(/up to 24 hours/);
  });
});

describe('what else is done with jobs', () => {
  it('takes them down with everything they had', () => {
    const it = did(added(mixPlace(), 'NARR: opto'), { does: 'remove-job', job: NARR });
    const { session, scene } = it.context;
    expect([session.jobs, session.threads, scene.cords, session.tracks[0]!.inserts]).toEqual([
      [],
      [],
      [],
      [],
    ]);
  });

  it('goes with its track', () => {
    const it = added(mixPlace(), 'NARR: opto');
    const after = then(it, removedTrackEdits(it, stand(it, 1).track));
    expect([after.context.session.jobs, after.context.session.threads]).toEqual([[], []]);
  });

  it('makes jobs of slots that were filled by hand, channels and lines as they are', () => {
    const tracks = [
      track('narr', { inserts: [hardwareSlot(3)] }),
      track('lamp', { number: 2, inserts: [hardwareSlot(5)] }),
    ];
    const more = {
      threads: [
        { id: 'by-hand', from: 'daw/output/3', purpose: 'insert' as const, inserts: ['opto/channel-a'] },
      ],
      cords: [
        { id: 'c-1', from: 'out/upper-3/1', to: 'out/lower-1/1' },
        { id: 'c-2', from: 'back/upper-1/1', to: 'back/lower-3/1' },
      ],
    };
    const it = mixPlace({ tracks, more });
    const plan = jobDeed(it, { does: 'adopt' });
    expect(refusals(plan)).toEqual([
      'No line of the input list says which units slot 1 goes through in this scene. Write the job as LAMP: unit > unit instead, and clear the slot.',
    ]);
    const after = then(it, plan.edits);
    expect(pairs(after)).toEqual(['3/3']);
    expect(chainText(after.context, stand(after, 1).job)).toBe('Opto compressor');
  });

  it('gives channels out anew when asked', () => {
    const tracks = tracksOf(['NARR', 'LAMP']);
    const it = did(added(mixPlace({ tracks }), 'NARR: opto', 'LAMP: fast'), {
      does: 'remove-job',
      job: NARR,
    });
    expect(pairs(it)).toEqual(['2/2']);
    expect(pairs(did(it, { does: 'give-anew' }))).toEqual(['1/1']);
  });

  it('types round trips in for a host that compensates what it is told', () => {
    const it = added(mixPlace(), 'NARR: opto');
    // Two buffers of 64 and two conversions of 10 and 12 samples.
    expect(stand(it, 1).slot?.delaySamples).toBe(150);
    expect(insertsView(it.context).rows[0]).toMatchObject({
      samples: '150',
      ms: '3.13 ms',
      compensation: 'compensated',
    });
  });
});
