import { applyChange } from '@ft/core/edits/change';
import { readTracksCsv, tracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { trace } from '@ft/core/graph/trace';
import { findPlaces } from '@ft/core/views/find';
import { stripOf } from '@ft/core/views/strip/strip';
import {
  removeBusEdits,
  removeTrackEdits,
  templateEdits,
  trackCellEdits,
} from '@ft/core/actions/mix/trackEdits';
import { trackRows } from '@ft/core/views/mix/trackView';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { plainTrack } from '@ft/core/session/daw/trackTemplate';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { contextOf, firstScene, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

const track = (id: string, more: Partial<Track> = {}): Track => ({
  ...plainTrack({ id: id as Track['id'], number: 1, name: id.toUpperCase(), kind: 'audio', width: 1 }),
  ...more,
});

/** The worked ladder's microphone, preamp, converter and DAW, eight wide, with tracks. */
function dawStudio(tracks: readonly Track[], more: Partial<Session> = {}): Studio {
  return studioOf({
    ...WORKED_LADDER,
    devices: WORKED_LADDER.devices!.map((device) =>
      device.type === 'dawHost'
        ? { ...device, params: { inputs: 8, outputs: 8 } }
        : device.type === 'converter'
          ? { ...device, params: { ...device.params, adcs: 8, dacs: 8 } }
          : device,
    ),
    wires: [
      ...WORKED_LADDER.wires!,
      ...Array.from({ length: 8 }, (_, i): [string, string] => [
        `daw/stream-out/${String(i + 1)}`,
        `converter/host-in/${String(i + 1)}`,
      ]),
    ],
    session: { host: 'daw', tracks: tracks as never, ...(more as object) },
  });
}

const graphOf = (studio: Studio): SignalGraph => contextOf(studio).graph;
const laneOf = (graph: SignalGraph, id: string): number => graph.laneIndex.get(`daw/${id}` as never)!;

/** Gains of the edges from one lane into others, by the far lane's id. */
const gainsFrom = (graph: SignalGraph, id: string): Record<string, number> =>
  Object.fromEntries(
    graph.edges
      .filter((edge) => edge.from === laneOf(graph, id))
      .map((edge) => [graph.lanes[edge.to]!.id.slice(4), Number(edge.gainDb.toFixed(2))]),
  );

const reaches = (graph: SignalGraph, from: string, to: string): boolean =>
  trace(graph, laneOf(graph, from), 'from').lanes.includes(laneOf(graph, to));

describe('tracks compile into lanes of their host', () => {
  it('from input selector past slots and fader to several outputs', () => {
    const narr = track('narr', {
      input: { from: 'host', first: 1 },
      inputMonitor: true,
      inserts: [{ kind: 'plugin', name: 'De-esser', delaySamples: 64 }],
      faderDb: -4,
      outputs: [
        { to: 'host', first: 3 },
        { to: 'host', first: 5 },
      ],
    });
    const graph = graphOf(dawStudio([narr]));
    expect(reaches(graph, 'input/1', 'stream-out/3')).toBe(true);
    expect(reaches(graph, 'input/1', 'stream-out/5')).toBe(true);
    const slot = graph.edges.find((edge) => edge.to === laneOf(graph, 'track-narr-slot-1/1'))!;
    expect(slot.delaySamples).toBe(64);
    expect(gainsFrom(graph, 'track-narr-slot-1/1')).toEqual({ 'track-narr-fader/1': -4 });
  });

  it('an audio track plays what is on disk until its input is monitored', () => {
    const narr = track('narr', { input: { from: 'host', first: 1 }, outputs: [{ to: 'host', first: 3 }] });
    const disk = graphOf(dawStudio([narr]));
    expect(reaches(disk, 'input/1', 'track-narr-in/1')).toBe(true);
    expect(reaches(disk, 'input/1', 'stream-out/3')).toBe(false);
    expect(reaches(disk, 'track-narr-play/1', 'stream-out/3')).toBe(true);
    const live = graphOf(dawStudio([{ ...narr, inputMonitor: true }]));
    expect(reaches(live, 'input/1', 'stream-out/3')).toBe(true);
    expect(reaches(live, 'track-narr-play/1', 'stream-out/3')).toBe(false);
  });

  it('an active hardware insert takes the signal out of the host and back, with trims', () => {
    const slot = { kind: 'hardware', send: 2, return: 4, sendTrimDb: -3, returnTrimDb: 3 } as const;
    const narr = track('narr', { input: { from: 'host', first: 1 }, inputMonitor: true, inserts: [slot] });
    const graph = graphOf(dawStudio([narr]));
    expect(gainsFrom(graph, 'track-narr-pre/1')).toEqual({ 'output/2': -3 });
    expect(gainsFrom(graph, 'input/4')).toEqual({ 'track-narr-slot-1/1': 3 });
  });

  it('buses join tracks; sends leave before or after the fader', () => {
    const buses = [{ id: 'plate' as never, name: 'Plate', width: 2 }];
    const send = (preFader: boolean): Track['sends'][number] => ({
      destination: { to: 'bus', bus: 'plate' as never },
      preFader,
      levelDb: -6,
      pan: 0,
    });
    const narr = track('narr', { sends: [send(true)] });
    const lamp = track('lamp', { sends: [send(false)] });
    const ret = track('ret', {
      kind: 'aux',
      width: 2,
      input: { from: 'bus', bus: 'plate' as never },
      outputs: [{ to: 'host', first: 1 }],
    });
    const graph = graphOf(dawStudio([narr, lamp, ret], { buses }));
    // A mono source in a stereo bus: −6 dB of the send and −3.01 dB of the pan law.
    expect(gainsFrom(graph, 'track-narr-pre/1')).toMatchObject({
      'bus-plate/1': -9.01,
      'bus-plate/2': -9.01,
    });
    expect(gainsFrom(graph, 'track-lamp-fader/1')).toEqual({ 'bus-plate/1': -9.01, 'bus-plate/2': -9.01 });
    expect(reaches(graph, 'track-narr-play/1', 'stream-out/2')).toBe(true);
  });

  it.each([
    [-3, -3.01],
    [-4.5, -4.52],
    [-6, -6.02],
  ] as const)('the pan law of the session is %d dB', (panLawDb, db) => {
    const buses = [{ id: 'mix' as never, name: 'Mix', width: 2 }];
    const narr = track('narr', { outputs: [{ to: 'bus', bus: 'mix' as never }] });
    const graph = graphOf(dawStudio([narr], { buses, panLawDb }));
    expect(gainsFrom(graph, 'track-narr-fader/1')).toEqual({ 'bus-mix/1': db, 'bus-mix/2': db });
  });

  it('a stereo track is balanced, not panned', () => {
    const wide = track('wide', { width: 2, pan: 50, outputs: [{ to: 'host', first: 1 }] });
    const graph = graphOf(dawStudio([wide]));
    expect(gainsFrom(graph, 'track-wide-fader/1')).toEqual({ 'output/1': -6.02 });
    expect(gainsFrom(graph, 'track-wide-fader/2')).toEqual({ 'output/2': 0 });
  });

  it('a VCA moves the faders of those that follow it, and carries no sound', () => {
    const vca = track('all', { kind: 'vca', faderDb: -10 });
    const narr = track('narr', { faderDb: -2, vca: 'all' as never });
    const graph = graphOf(dawStudio([vca, narr]));
    expect(gainsFrom(graph, 'track-narr-pre/1')).toEqual({ 'track-narr-fader/1': -12 });
    expect(graph.lanes.some(({ id }) => id.startsWith('daw/track-all'))).toBe(false);
    const muted = graphOf(dawStudio([{ ...vca, muted: true }, narr]));
    expect(gainsFrom(muted, 'track-narr-pre/1')).toEqual({});
  });

  it('input threads end at the DAW input, whatever the tracks do', () => {
    const loop = track('loop', {
      input: { from: 'host', first: 1 },
      inputMonitor: true,
      outputs: [{ to: 'host', first: 1 }],
    });
    const [planned] = contextOf(dawStudio([loop])).threads;
    expect(planned!.complete).toBe(true);
    expect(planned!.path.some((edge) => edge.track !== undefined)).toBe(false);
  });
});

describe('the strip of a track', () => {
  const narr = track('narr', {
    input: { from: 'host', first: 1 },
    inputMonitor: true,
    inserts: [{ kind: 'plugin', name: 'De-esser', delaySamples: 64 }],
    faderDb: -4,
    outputs: [{ to: 'host', first: 3 }],
  });
  const context = contextOf(dawStudio([narr]));

  it('runs from the microphone through the track to the line output, with its levels', () => {
    const strip = stripOf(context, { kind: 'track', id: narr.id })!;
    const names = strip.hops.map(({ laneName }) => laneName);
    expect(names[0]).toBe('Mic');
    expect(names).toEqual(expect.arrayContaining(['NARR in', 'NARR after slot 1', 'NARR after fader']));
    expect(names.at(-1)).toMatch(/line out 3$/);
    const fader = strip.hops[names.indexOf('NARR after fader')]!;
    // −19.00 dBFS at the DAW input in the worked ladder, and 4 dB down.
    expect(fader.nominal).toBeCloseTo(-23, 1);
  });

  it('is found by the name of the track', () => {
    expect(findPlaces(context, 'narr').some(({ what }) => what === 'track')).toBe(true);
  });

  it('the sheet says where its host numbers lead in the rig', () => {
    const [row] = trackRows(context);
    expect(row!.hears).toEqual(['Converter line in 1']);
    expect(row!.plays).toEqual(['Converter line out 3']);
  });
});

describe('making and changing tracks', () => {
  const studio = dawStudio([]);
  const sessionOf = (it: Studio): Session => firstScene(it).session;
  const after = (it: Studio, edits: Parameters<typeof applyChange>[1]): Studio => {
    const result = applyChange(it, edits);
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    return result.value;
  };

  it('a template makes n tracks with ascending inputs and outputs', () => {
    const made = after(
      studio,
      templateEdits(sessionOf(studio), {
        count: 3,
        name: 'Harp #',
        kind: 'audio',
        width: 2,
        firstInput: 3,
        firstOutput: 1,
        outputsAscend: false,
      }),
    );
    const rows = sessionOf(made).tracks.map(({ name, number, input, outputs }) => ({
      name,
      number,
      input,
      outputs,
    }));
    expect(rows).toEqual([
      { name: 'Harp 1', number: 1, input: { from: 'host', first: 3 }, outputs: [{ to: 'host', first: 1 }] },
      { name: 'Harp 2', number: 2, input: { from: 'host', first: 5 }, outputs: [{ to: 'host', first: 1 }] },
      { name: 'Harp 3', number: 3, input: { from: 'host', first: 7 }, outputs: [{ to: 'host', first: 1 }] },
    ]);
  });

  const LIST = [
    'Name\tKind\tWidth\tInput\tOutputs\tInserts\tSends\tFader\tPan',
    'NARR\taudio\tmono\t1\tbus Dialogue\tDe-esser @64; hw 2\tbus Dialogue −6 pre\t−3\tL10',
    'DIA\taux\tstereo\tbus Dialogue\t1-2\t\t\t0\tC',
  ].join('\n');

  it('a track list is pasted from a spreadsheet, with the buses it names', () => {
    const read = readTracksCsv(LIST, sessionOf(studio));
    const made = sessionOf(after(studio, read.ok ? read.edits : []));
    expect(made.buses.map(({ name }) => name)).toEqual(['Dialogue']);
    expect(made.tracks.map(({ name, width, faderDb, pan }) => ({ name, width, faderDb, pan }))).toEqual([
      { name: 'DIA', width: 2, faderDb: 0, pan: 0 },
      { name: 'NARR', width: 1, faderDb: -3, pan: -10 },
    ]);
    // What is written is read as what is there.
    const again = readTracksCsv(tracksCsv(made), made);
    expect(again.ok && again.edits).toEqual([]);
  });

  it.each([
    [
      'Name,Width,Input\nNARR,1,3-4',
      'Line 2, column 3: The track is 1 wide, but 3–4 is not. Write the first number alone.',
    ],
    [
      'Name,Kind\nNARR,sound',
      'Line 2, column 2: “sound” is not a kind of track; there are audio, aux, group, vca, instrument, print.',
    ],
    [
      'Name,Kind\nNARR,audio\nnarr,aux',
      'Line 3, column 1: A track “narr” stands above already. Give one of them another name.',
    ],
  ])('%j is refused', (text, problem) => {
    const read = readTracksCsv(text, sessionOf(studio));
    expect(read.ok ? [] : read.problems.map(csvProblemLine)).toContain(problem);
  });

  it('a typed cell becomes an edit, or a sentence', () => {
    const narr = track('narr');
    const session = sessionOf(dawStudio([narr]));
    expect(trackCellEdits(session, narr, 'faderDb', '−6')).toMatchObject({
      ok: true,
      edits: [{ type: 'track.set', field: 'faderDb', value: -6, was: 0 }],
    });
    expect(trackCellEdits(session, narr, 'input', 'bus Nowhere').ok).toBe(false);
  });

  it('a bus or VCA that goes is taken out of every track', () => {
    const read = readTracksCsv(LIST, sessionOf(studio));
    const full = after(studio, read.ok ? read.edits : []);
    const [dialogue] = sessionOf(full).buses;
    const without = sessionOf(after(full, removeBusEdits(sessionOf(full), dialogue!)));
    expect(without.tracks.flatMap(({ outputs, sends }) => [...outputs, ...sends])).toEqual([
      { to: 'host', first: 1 },
    ]);

    const [vca, narr] = [track('all', { kind: 'vca' }), track('narr', { vca: 'all' as never })];
    const followed = dawStudio([vca, narr]);
    const free = sessionOf(after(followed, removeTrackEdits(sessionOf(followed), vca)));
    expect(free.tracks.map(({ vca: follows }) => follows)).toEqual([undefined]);
  });

  it('a track may not name a bus that is not there', () => {
    const item = track('narr', { outputs: [{ to: 'bus', bus: 'nowhere' as never }] });
    const result = applyChange(studio, [{ type: 'track.add', session: sessionOf(studio).id, item }]);
    expect(result.ok ? '' : JSON.stringify(result.refusal)).toContain('"kind":"bus"');
  });
});
