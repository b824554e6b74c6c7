import type { Edit } from '../../edits/make';
import { editSet } from '../../edits/make';
import type { Finding } from '../../checks/finding';
import type { SignalGraph } from '../../graph/signalGraph';
import { edgesInto } from '../../graph/walk';
import type { TrackId } from '../../rig/ids';
import type { Track } from '../../session/daw/trackSchema';
import type { Bench, Figures, Repair } from './repair';
import { refOf, single } from './repair';

/** Lower, a fader is as good as shut, and that mends nothing. */
const LEAST_FADER_DB = -60;

/** Faders all down by the same; nothing where one of them would be as good as shut. */
function lowered({ context: { session } }: Bench, tracks: readonly Track[], byDb: number): readonly Edit[] {
  if (tracks.some(({ faderDb }) => faderDb - byDb < LEAST_FADER_DB)) return [];
  return tracks.map(({ id, faderDb }) =>
    editSet('track', { session: session.id }, id, {
      field: 'faderDb',
      value: faderDb - byDb,
      was: faderDb,
    }),
  );
}

/** The fader of the one track that plays too loud. */
export function faderDown(bench: Bench, fader: Figures<'over-max-input'>['fader']): readonly Repair[] {
  const track = bench.context.session.tracks.find(({ id }) => id === fader?.track);
  if (track === undefined || fader === undefined) return [];
  return single(
    `Turn the fader of ${track.name} down ${String(fader.byDb)} dB`,
    lowered(bench, [track], fader.byDb),
  );
}

/** The tracks that play straight into a place, or into the one place that leads there. */
function tracksInto(graph: SignalGraph, lane: number): ReadonlySet<TrackId> {
  const into = edgesInto(graph, lane);
  const tracks = into.flatMap(({ track }) => track ?? []);
  const [only, ...others] = into;
  return tracks.length === 0 && only !== undefined && others.length === 0
    ? tracksInto(graph, only.from)
    : new Set(tracks);
}

/** Faders of the tracks that play straight into a sum, all down by the same. */
export function fadersDown(
  bench: Bench,
  figures: Figures<'summing-headroom'>,
  finding: Finding,
): readonly Repair[] {
  const { graph, session } = bench.context;
  const lane = graph.laneIndex.get(refOf(finding, 'lane') as never) ?? -1;
  const feeding = tracksInto(graph, lane);
  const tracks = session.tracks.filter(({ id }) => feeding.has(id));
  const byDb = Math.ceil(figures.overDb);
  return single(
    `Turn ${String(tracks.length)} faders down ${String(byDb)} dB together`,
    lowered(bench, tracks, byDb),
  );
}
