import type { CheckContext } from '../checks/context';
import type { GraphStation, Lane, SignalGraph } from '../graph/signalGraph';
import type { PinRole } from '../rig/deviceModel';
import { isPinRole } from '../rig/deviceModel';
import type { LaneId } from '../rig/ids';
import type { Pins, Thread } from '../session/sessionSchema';
import { didYouMean } from '../wiring/nearestName';
import { ranked } from './nameMatch';

/** What a typed line means so far: the pieces understood, and the first one that is not. */
export interface TypedThread {
  readonly pieces: readonly TypedPiece[];
  /** The thread meant, once its microphone is known and every piece is understood. */
  readonly thread?: Pick<Thread, 'source' | 'from' | 'inserts' | 'pins'>;
  /** Why there is no thread yet, for the person who types. */
  readonly problem?: string;
}

export interface TypedPiece {
  readonly text: string;
  readonly name?: string;
  readonly what?: 'source' | 'microphone' | 'insert' | 'pin';
}

const MOST_SUGGESTED = 3;

type Meaning =
  | { readonly what: 'microphone'; readonly lane: Lane }
  | { readonly what: 'insert' | 'pin'; readonly station: InputStation };

type InputStation = GraphStation & { readonly role: PinRole };

/** The stations an input may be told to pass. */
const inputStations = (graph: SignalGraph): readonly InputStation[] =>
  graph.stations.filter((station): station is InputStation => isPinRole(station.role));

function meaningOf({ graph }: CheckContext, text: string, first: boolean): Meaning | undefined {
  if (first) {
    const lane = ranked(
      graph.lanes.filter((candidate) => candidate.microphone !== undefined),
      (candidate) => candidate.name,
      text,
    )[0];
    return lane && { what: 'microphone', lane };
  }
  const station = ranked(inputStations(graph), (candidate) => candidate.name, text)[0];
  return station && { what: station.role === 'processor' ? 'insert' : 'pin', station };
}

/** What stands nearest to a piece nobody is called: names that share a word with it. */
function suggestions({ graph }: CheckContext, text: string, first: boolean): readonly string[] {
  const names = first
    ? graph.lanes.filter((lane) => lane.microphone !== undefined).map((lane) => lane.name)
    : inputStations(graph).map((station) => station.name);
  const words = text.toLowerCase().split(/\s+/);
  const near = names.filter((name) => words.some((word) => word !== '' && name.toLowerCase().includes(word)));
  return (near.length > 0 ? near : first ? names : []).slice(0, MOST_SUGGESTED);
}

function unknown(context: CheckContext, text: string, first: boolean): string {
  const hint =
    didYouMean(suggestions(context, text, first)) ||
    ' Stations are preamps, processors, room jacks, converter and DAW inputs.';
  return `No ${first ? 'microphone' : 'station'} is called “${text}”.${hint}`;
}

/**
 * Understands a thread typed as its stations: `Harp: small condenser > preamp 4 > opto > input 7`. What
 * stands before a colon is the source; the first piece is the microphone; processors become inserts in
 * their order, every other station a pin. Names may be shortened as long as the words occur in them.
 */
export function typedThread(context: CheckContext, line: string): TypedThread {
  const colon = line.indexOf(':');
  const source = colon < 0 ? '' : line.slice(0, colon).trim();
  const texts = line
    .slice(colon + 1)
    .split('>')
    .map((text) => text.trim());
  const pieces: TypedPiece[] = source === '' ? [] : [{ text: source, name: source, what: 'source' }];
  let from: LaneId | undefined;
  const inserts: Thread['inserts'] = [];
  const pins: Pins = {};
  for (const [i, text] of texts.entries()) {
    if (text === '')
      return {
        pieces,
        ...(i === 0 && { problem: 'Type a microphone, then the stations after it, with > between them.' }),
      };
    const meaning = meaningOf(context, text, i === 0);
    if (meaning === undefined)
      return { pieces: [...pieces, { text }], problem: unknown(context, text, i === 0) };
    pieces.push({
      text,
      what: meaning.what,
      name: meaning.what === 'microphone' ? meaning.lane.name : meaning.station.name,
    });
    if (meaning.what === 'microphone') from = meaning.lane.id;
    else if (meaning.what === 'insert') inserts.push(meaning.station.id);
    else pins[meaning.station.role] = meaning.station.id;
  }
  return { pieces, ...(from !== undefined && { thread: { source, from, inserts, pins } }) };
}
