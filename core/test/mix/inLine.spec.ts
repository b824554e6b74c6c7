import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import { newSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { workedScene } from '@ft/core/scene/workedScene';
import { findScene } from '@ft/core/session/scenePlace';
import { then } from '../fixtures/cuePlace';
import type { JobId } from '@ft/core/rig/ids';
import { chainText } from '@ft/core/views/mix/chainText';
import { insertsView } from '@ft/core/views/mix/insertsView';
import { track } from '../checks/examples/example';
import type { Mix } from '../fixtures/mixStudio';
import { added, did, mixPlace, refusals, stand } from '../fixtures/mixStudio';

/** A summing mixer whose inputs and outputs come up on bays of their own, normalled to the first outputs of the host. */
const SUM: Mix['more'] = {
  devices: [
    { id: 'sum', name: 'Summing mixer', type: 'summingMixer', params: { inputs: 4 } },
    { id: 'sums', name: 'Bay sums', type: 'patchbay', params: { columns: 8, normalling: 'none' } },
  ],
  wires: [
    ...[1, 2, 3, 4].map((n) => [`sums/lower-rear-${String(n)}/1`, `sum/in-${String(n)}/1`] as const),
    ['sum/out-left/1', 'sums/upper-rear-5/1'],
    ['sum/out-right/1', 'sums/upper-rear-6/1'],
  ],
};
const TRACKS = [
  track('dx', { name: 'DX', kind: 'group', width: 2, outputs: [{ to: 'host', first: 3 }] }),
  track('print', { number: 2, name: 'PRINT', kind: 'print', width: 2, input: { from: 'host', first: 7 } }),
];
/** Stereo stem over outputs 3 and 4 to the sum, and the sum back into inputs 7 and 8. */
const CORDS = [
  { id: 'a', from: 'out/upper-3/1', to: 'sums/lower-1/1' },
  { id: 'b', from: 'out/upper-4/1', to: 'sums/lower-2/1' },
  { id: 'c', from: 'sums/upper-5/1', to: 'back/lower-7/1' },
  { id: 'd', from: 'sums/upper-6/1', to: 'back/lower-8/1' },
];
const place = (more: Partial<NonNullable<Mix['more']>> = { cords: CORDS }): WorkPlace =>
  mixPlace({ tracks: TRACKS, more: { ...SUM, ...more } });
const lines = (it: WorkPlace): readonly string[] =>
  stand(it, 1).lines.map(({ thread, complete, stations }) => {
    const units = stations.filter(({ role }) => role === 'processor').map(({ name }) => name);
    return `${complete ? '' : 'broken '}${thread.purpose} ${thread.from} ${units.join('+')} ${thread.to ?? thread.pins['daw-input'] ?? ''}`;
  });

describe('a chain in line', () => {
  it('stands between the outputs of a stem and the inputs they feed', () => {
    const it = added(place(), 'DX: bus compressor; in line');
    expect(stand(it, 1).placing).toBe('up');
    expect(lines(it)).toEqual([
      'sum daw/output/3 Bus compressor A sum/in-1/1',
      'sum daw/output/4 Bus compressor B sum/in-2/1',
    ]);
    expect(insertsView(it.context).rows[0]).toMatchObject({ at: 'in line behind', out: '', ms: '' });
  });

  it('stands after the sum and before the converter that prints', () => {
    const it = added(place(), 'PRINT: valve; in line');
    expect(lines(it)).toEqual([
      'print sum/out-left/1 Valve equaliser A daw/input-7',
      'print sum/out-right/1 Valve equaliser B daw/input-8',
    ]);
  });

  it('takes a line on that is there, and leaves it straight when it goes', () => {
    const print = ['left', 'right'].map((side, i) => ({
      ...{ id: `print-${side}`, number: i + 1, purpose: 'print' as const, from: `sum/out-${side}/1` },
      pins: { 'daw-input': `daw/input-${String(7 + i)}` },
      ...(i === 1 && { link: { lead: 'print-left', place: 2 } }),
    }));
    const it = added(place({ cords: CORDS, threads: print }), 'PRINT: valve; in line');
    expect(it.context.session.threads.map(({ id, job }) => [id, job])).toEqual([
      ['print-left', 'print-job'],
      ['print-right', 'print-job'],
    ]);
    const down = did(it, { does: 'take-down', job: 'print-job' as JobId });
    expect(down.context.threads.map(({ complete, thread }) => [complete, thread.inserts])).toEqual([
      [true, []],
      [true, []],
    ]);
  });

  it.each([
    ['DX: bus compressor; in line', /^Output 3 of the host feeds nothing yet\. Patch it to the sum first/],
    ['PRINT: valve; in line', /^Nothing plays into input 7 of the host yet\. Patch the sum to PRINT first/],
    ['PRINT: valve; in line behind', /^PRINT goes to no output of the host/],
    ['DX: bus compressor; in line before', /^DX takes in no input of the host/],
    ['DX: bus compressor; in line; mid/side', /^A chain in line has no matrix before it/],
    ['DX: bus compressor; in line; parallel −6', /^A chain in line has no dry signal beside it/],
  ])('“%s” cannot be where nothing is patched', (text, sentence) => {
    expect(refusals(jobDeed(place({}), { does: 'add-job', text }))[0]).toMatch(sentence);
  });
});

/** A switcher of two stereo loops at line level: the bus compressor in the first, the valve equaliser in the second. */
const LOOPS: NonNullable<Mix['more']> = {
  devices: [
    {
      id: 'loops',
      name: 'Mix loops',
      type: 'loopSwitcher',
      params: { loops: 3, stereoLoops: 3, level: 'line' },
    },
    { id: 'tone', name: 'Loop equaliser', type: 'equaliser', params: { channels: 2 } },
    { id: 'press', name: 'Loop compressor', type: 'dynamics', params: { channels: 2 } },
    { id: 'loop-bay', name: 'Loop bay', type: 'patchbay', params: { columns: 4, normalling: 'none' } },
  ],
  wires: [
    ['loop-bay/lower-rear-1/1', 'loops/in/1'],
    ['loop-bay/lower-rear-2/1', 'loops/in-right/1'],
    ['loops/out/1', 'loop-bay/upper-rear-3/1'],
    ['loops/out-right/1', 'loop-bay/upper-rear-4/1'],
    ['loops/send-1/1', 'tone/in-1/1'],
    ['tone/out-1/1', 'press/in-1/1'],
    ['press/out-1/1', 'loops/return-1/1'],
    ['loops/send-1-right/1', 'tone/in-2/1'],
    ['tone/out-2/1', 'press/in-2/1'],
    ['press/out-2/1', 'loops/return-1-right/1'],
  ],
};
const looped = (): WorkPlace =>
  mixPlace({
    tracks: [
      track('dx', { name: 'DX', kind: 'group', width: 2 }),
      track('mx', { number: 2, name: 'MX', kind: 'group', width: 2 }),
    ],
    more: LOOPS,
  });

describe('a loop of a switcher', () => {
  it('stands in a chain as one, with all that hangs in it, and is switched in', () => {
    const it = added(looped(), 'DX: mix loops loop 1 > bus compressor');
    const { job, lines: own } = stand(it, 1);
    expect(chainText(it.context, job)).toBe('Mix loops loop 1 > Bus compressor');
    expect(own[0]!.thread.inserts).toEqual(['tone/channel-a', 'press/channel-a', 'glue/channel-a']);
    expect(own.every(({ complete }) => complete)).toBe(true);
    expect(it.context.scene.settings).toMatchObject({ 'loops/loopIn/1': true, 'loops/loopIn/2': false });
  });

  it('is switched in before its job comes into another scene', () => {
    const it = added(looped(), 'DX: mix loops loop 1');
    const made = newSceneEdits(it.studio, it.place, 'Other', 'empty')!;
    const there = then(it, made.edits);
    const place = { ...it.place, scene: made.id };
    const found = findScene(there.studio, place)!;
    const other = {
      studio: there.studio,
      place,
      context: workedScene(there.studio.rig, found.session, found.scene),
    };
    const up = did(other, { does: 'bring-up' });
    expect(up.context.scene.settings).toMatchObject({ 'loops/loopIn/1': true });
    expect(up.context.threads.map(({ complete }) => complete)).toEqual([true, true]);
    // Over the switcher, and not past it: a cord in and a cord out for each side.
    expect(up.context.scene.cords).toHaveLength(4);
  });

  it('keeps the whole switcher and its units from others', () => {
    const it = added(looped(), 'DX: mix loops loop 1');
    expect(refusals(jobDeed(it, { does: 'add-job', text: 'MX: loop compressor' }))[0]).toMatch(
      /^Loop compressor A serves DX just now/,
    );
    expect(refusals(jobDeed(it, { does: 'add-job', text: 'MX: mix loops loop 2' }))[0]).toMatch(
      /^Nothing hangs in Mix loops loop 2 left\. Wire a unit into the loop/,
    );
  });

  it('stands in the order its switcher has', () => {
    expect(
      refusals(jobDeed(looped(), { does: 'add-job', text: 'DX: mix loops loop 2 > mix loops loop 1' }))[0],
    ).toMatch(/^Nothing hangs in|comes before the loop/);
  });
});
