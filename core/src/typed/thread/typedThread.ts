import type { WorkedScene } from '../../scene/workedScene';
import type { GraphStation, Lane, SignalGraph } from '../../graph/signalGraph';
import type { PinRole } from '../../rig/deviceModel';
import { isPinRole } from '../../rig/deviceModel';
import type { LaneId } from '../../rig/ids';
import { deviceIdIn } from '../../rig/ids';
import type { Pins, Thread } from '../../session/sessionSchema';
import { didYouMean } from '../../text/nearestName';
import { ranked } from '../../text/nameMatch';
import type { TypedStart } from './typedStart';
import { startOf } from './typedStart';

/** What a typed line means so far: the pieces understood, and the first one that is not. */
export interface TypedThread {
  readonly pieces: readonly TypedPiece[];
  /** The thread meant, once its start is known and every piece is understood. */
  readonly thread?: TypedLine;
  /** Where the other side of a stereo line starts. */
  readonly second?: LaneId;
  /** Why there is no thread yet, for the person who types. */
  readonly problem?: string;
}

/** What typing says of a thread. */
export type TypedLine = Pick<Thread, 'source' | 'from' | 'inserts' | 'pins' | 'purpose' | 'to'>;

export interface TypedPiece {
  readonly text: string;
  readonly name?: string;
  readonly what?: 'source' | 'microphone' | 'output' | 'insert' | 'pin' | 'end';
}

const MOST_SUGGESTED = 3;

type InputStation = GraphStation & { readonly role: PinRole };

/** The stations a thread may be told to pass. */
const inputStations = (graph: SignalGraph): readonly InputStation[] =>
  graph.stations.filter((station): station is InputStation => isPinRole(station.role));

/** What stands nearest to a piece nobody is called: names that share a word with it. */
function suggestions({ graph }: WorkedScene, text: string, first: boolean): readonly string[] {
  const names = first
    ? graph.lanes.filter((lane) => lane.microphone !== undefined).map((lane) => lane.name)
    : inputStations(graph).map((station) => station.name);
  const words = text.toLowerCase().split(/\s+/);
  const near = names.filter((name) => words.some((word) => word !== '' && name.toLowerCase().includes(word)));
  return (near.length > 0 ? near : first ? names : []).slice(0, MOST_SUGGESTED);
}

function unknown(context: WorkedScene, text: string, first: boolean): string {
  const hint =
    didYouMean(suggestions(context, text, first)) ||
    ' Stations are preamps, processors, room jacks, converter and DAW inputs.';
  return `No ${first ? 'microphone or output' : 'station'} is called “${text}”.${hint}`;
}

/** `to cue box 1 in`: the input a feed ends at. */
const endTyped = (text: string): string | undefined => /^to\s+(.+)$/i.exec(text)?.[1];

function endLane({ graph }: WorkedScene, text: string): Lane | undefined {
  const inputs = graph.lanes.filter(({ direction, face }) => direction === 'in' && face !== 'inside');
  return ranked(inputs, ({ name }) => name, text)[0];
}

/** The pieces after the first one, understood one after another. */
class Line {
  readonly pieces: TypedPiece[] = [];
  readonly inserts: Thread['inserts'] = [];
  readonly pins: Pins = {};
  to: Lane | undefined;

  constructor(private readonly context: WorkedScene) {}

  /** Takes the next piece; says what is wrong with it, if anything. */
  take(text: string): string | undefined {
    const typedEnd = endTyped(text);
    if (typedEnd !== undefined) {
      this.to = endLane(this.context, typedEnd);
      if (this.to === undefined) return this.refuse(text, `No input is called “${typedEnd}”.`);
      this.pieces.push({ text, what: 'end', name: this.to.name });
      return undefined;
    }
    const station = ranked(inputStations(this.context.graph), ({ name }) => name, text)[0];
    if (station === undefined) return this.refuse(text, unknown(this.context, text, false));
    if (station.role === 'processor') this.inserts.push(station.id);
    else this.pins[station.role] = station.id;
    this.pieces.push({ text, what: station.role === 'processor' ? 'insert' : 'pin', name: station.name });
    return undefined;
  }

  private refuse(text: string, problem: string): string {
    this.pieces.push({ text });
    return problem;
  }
}

/** What a line is for that ends at a device of a kind. */
const ENDS: Readonly<Record<string, Thread['purpose']>> = {
  ...{ cueAmp: 'cue', headphoneBox: 'cue', headphoneJunction: 'cue', headphones: 'cue' },
  ...{ monitorController: 'monitor', powerAmp: 'monitor', loudspeaker: 'monitor' },
};

/** What a thread is for, from where it starts and ends. */
function purposeOf({ devices }: WorkedScene, start: TypedStart, line: Line): Thread['purpose'] {
  if (line.to !== undefined) {
    const [first] = start.lanes;
    const isTalkback = first !== undefined && devices.get(deviceIdIn(first.id))?.type === 'talkback';
    return isTalkback ? 'talkback' : (ENDS[devices.get(line.to.device)?.type ?? ''] ?? 'feed');
  }
  return start.what === 'microphone' ? 'input' : 'insert';
}

/** A name for what was typed without one: what the line is about. */
function sourceOf(typed: string, start: TypedStart, line: Line): string {
  if (typed !== '' || start.what === 'microphone') return typed;
  const about = line.to?.name ?? line.pieces.find(({ what }) => what === 'insert')?.name ?? '';
  return (line.to === undefined ? about : `To ${about}`).slice(0, 200);
}

/**
 * Understands a thread typed as its stations: `Harp: small condenser > preamp 4 > opto > input 7`. What
 * stands before a colon is the source; the first piece is the microphone, or two with + between them for
 * left and right; processors become inserts in their order, every other station a pin. A line that starts
 * at a DAW output is a hardware insert (`out 3 > opto > in 3`), one that ends in `to` and an input feeds
 * it (`out 5 > to cue box 1 in`). Names may be shortened as long as the words occur in them.
 */
// eslint-disable-next-line max-lines-per-function -- one line read from left to right
export function typedThread(context: WorkedScene, line: string): TypedThread {
  const colon = line.indexOf(':');
  const source = colon < 0 ? '' : line.slice(0, colon).trim();
  const [first = '', ...texts] = line
    .slice(colon + 1)
    .split('>')
    .map((text) => text.trim());
  const named: readonly TypedPiece[] = source === '' ? [] : [{ text: source, name: source, what: 'source' }];
  if (first === '')
    return { pieces: named, problem: 'Type a microphone, then the stations after it, with > between them.' };
  const feeds = texts.some((text) => endTyped(text) !== undefined);
  const start = startOf(context.graph, first, feeds);
  if (start === undefined)
    return { pieces: [...named, { text: first }], problem: unknown(context, first, true) };
  const begun: readonly TypedPiece[] = [
    ...named,
    ...start.lanes.map(({ name }) => ({ text: first, what: start.what, name })),
  ];
  const rest = new Line(context);
  for (const text of texts) {
    if (text === '') return { pieces: [...begun, ...rest.pieces] };
    const problem = rest.take(text);
    if (problem !== undefined) return { pieces: [...begun, ...rest.pieces], problem };
  }
  const [lane, second] = start.lanes;
  if (lane === undefined) return { pieces: begun };
  const { inserts, pins, to } = rest;
  return {
    pieces: [...begun, ...rest.pieces],
    thread: {
      ...{ source: sourceOf(source, start, rest), from: lane.id, inserts, pins },
      purpose: purposeOf(context, start, rest),
      ...(to && { to: to.id }),
    },
    ...(second && { second: second.id }),
  };
}
