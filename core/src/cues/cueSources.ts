import { arrivalsAt } from '../levels/laneSum';
import { recordedOn } from '../levels/soundSources';
import type { ThreadId, TrackId } from '../rig/ids';
import type { WorkedScene } from '../scene/workedScene';
import { byNumber } from '../session/byNumber';
import type { Cue } from '../session/cueSchema';
import type { Thread } from '../session/sessionSchema';
import { threadsIn } from '../session/sessionSchema';
import type { CarrierFound, CarrierGone, CarrierSend } from './carrierSends';
import { carrierSends } from './carrierSends';
import { cuesIn } from './cuesIn';

/** Where a source is taken: before the recorder, or from its return, where takes are heard and everything is late. */
export type Comes = 'direct' | 'return';

/** What a row of the cue sheet stands for. */
export type CueSource =
  | { readonly kind: 'line'; readonly thread: ThreadId }
  | { readonly kind: 'track'; readonly track: TrackId }
  /** A channel or return that carries no single line: an effect, a player, a group. */
  | { readonly kind: 'row'; readonly device: string; readonly row: string };

/** Known by the same text as long as it is the same source: "line:line-3", "row:desk return-1". */
export const sourceKey = (source: CueSource): string =>
  source.kind === 'line'
    ? `line:${source.thread}`
    : source.kind === 'track'
      ? `track:${source.track}`
      : `row:${source.device} ${source.row}`;

/** A send by which a source can come into a cue. */
export interface CueSend {
  readonly send: CarrierSend;
  readonly comes: Comes;
}

/** A cue of the scene with its carrier, and its sends by their source. */
export interface CueColumn {
  readonly cue: Cue;
  readonly carrier: CarrierFound | CarrierGone;
  readonly sends: ReadonlyMap<string, readonly CueSend[]>;
}

/** The cues of a scene as a sheet: a row for each source, a column for each cue. */
export interface CueMatrix {
  readonly sources: readonly CueSource[];
  readonly columns: readonly CueColumn[];
}

interface Owned {
  readonly source: CueSource;
  readonly comes: Comes;
}

/** What is heard at a lane, when it is one line or one track alone. */
function ownerAt(context: WorkedScene, lane: number): Owned | undefined {
  const { field, session } = context;
  const owners = new Map<string, Owned>();
  for (const { source: index, throughHost } of arrivalsAt(field, lane)) {
    const { thread, track } = field.sources[index] ?? {};
    const owned = thread === undefined ? trackOwner(session, track) : lineOwner(thread, throughHost);
    if (owned !== undefined) owners.set(sourceKey(owned.source), owned);
  }
  const [only] = owners.values();
  return owners.size === 1 ? only : undefined;
}

const lineOwner = (thread: ThreadId, throughHost: boolean): Owned => ({
  source: { kind: 'line', thread },
  comes: throughHost ? 'return' : 'direct',
});

/** A track plays the line that is recorded on it; one that records none is a source of its own. */
function trackOwner(session: WorkedScene['session'], id: TrackId | undefined): Owned | undefined {
  const track = session.tracks.find((each) => each.id === id);
  if (track === undefined) return undefined;
  const line = recordedOn(session, track);
  return line === undefined
    ? { source: { kind: 'track', track: track.id }, comes: 'direct' }
    : { source: { kind: 'line', thread: line.id }, comes: 'return' };
}

function ownerOf(context: WorkedScene, send: CarrierSend): Owned {
  if (send.kind === 'track')
    return (
      trackOwner(context.session, send.track.id) ?? {
        source: { kind: 'track', track: send.track.id },
        comes: 'direct',
      }
    );
  const owner = send.lane === undefined ? undefined : ownerAt(context, send.lane);
  return owner ?? { source: { kind: 'row', device: send.device.id, row: send.row.id }, comes: 'direct' };
}

/** Rows without a line of their own that belong on the sheet anyway: returns of effects and players. */
const RETURNS = new Set(['returns']);

const isShown = ({ kind }: CueSource, send: CarrierSend): boolean => {
  if (kind !== 'row') return send.kind === 'desk' || send.track.kind !== 'print';
  return send.isOn || (send.kind === 'desk' && RETURNS.has(send.section));
};

/** Lines a performer can want to hear: what is played, not what brings it. */
const isSource = ({ purpose, cue }: Thread): boolean =>
  cue === undefined && (purpose === 'input' || purpose === 'feed');

/** Lines by their number, then tracks by theirs, then channels in the order of their sheets. */
function inOrder(context: WorkedScene, found: ReadonlyMap<string, CueSource>): readonly CueSource[] {
  const { session, scene } = context;
  const lines = threadsIn(session, scene)
    .filter((thread) => isSource(thread) || found.has(`line:${thread.id}`))
    .map(({ id }): CueSource => ({ kind: 'line', thread: id }));
  const there = new Set(lines.map(sourceKey));
  const others = [...found.values()].filter((source) => !there.has(sourceKey(source)));
  const numbers = new Map([...session.tracks].sort(byNumber).map(({ id }, i) => [id, i]));
  const tracks = others.flatMap((source) => (source.kind === 'track' ? [source] : []));
  return [
    ...lines,
    // Lines of other scenes, which are heard from their tracks.
    ...others.filter(({ kind }) => kind === 'line'),
    ...tracks.sort((a, b) => (numbers.get(a.track) ?? 0) - (numbers.get(b.track) ?? 0)),
    ...others.filter(({ kind }) => kind === 'row'),
  ];
}

/** The cue sheet of a scene. */
export function cueMatrix(context: WorkedScene): CueMatrix {
  const found = new Map<string, CueSource>();
  const columns = cuesIn(context.session, context.scene).map((cue): CueColumn => {
    const carrier = carrierSends(context, cue.carrier);
    const sends = new Map<string, CueSend[]>();
    for (const send of carrier.ok ? carrier.sends : []) {
      const { source, comes } = ownerOf(context, send);
      if (!isShown(source, send)) continue;
      const key = sourceKey(source);
      found.set(key, source);
      sends.set(key, [...(sends.get(key) ?? []), { send, comes }]);
    }
    return { cue, carrier, sends };
  });
  return { sources: inOrder(context, found), columns };
}
