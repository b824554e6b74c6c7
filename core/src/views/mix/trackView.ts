import { hostOutputsOf } from '../../session/daw/hostOutputs';
import type { WorkedScene } from '../../scene/workedScene';
import { hostOf } from '../../graph/dawTracks';
import { laneIdOf } from '../../rig/ids';
import { edgesFrom, edgesInto } from '../../graph/walk';
import { byNumber } from '../../session/byNumber';
import type { TrackField } from '../../typed/track/trackCells';
import { TRACK_COLUMNS, trackCellText } from '../../typed/track/trackCells';
import type { Track } from '../../session/daw/trackSchema';

/** One line of the track sheet. */
export interface TrackRow {
  readonly track: Track;
  readonly texts: Readonly<Record<TrackField, string>>;
  /** Where its host inputs come from and its outputs go to in the rig, by name. */
  readonly hears: readonly string[];
  readonly plays: readonly string[];
}

/** The connector outside the host at the far end of a host stream. */
function outside(context: WorkedScene, port: 'input' | 'output', number: number): string | undefined {
  const { graph, rig, session } = context;
  const host = hostOf(rig.devices, session);
  const into = port === 'input';
  let lane = host && graph.laneIndex.get(laneIdOf(host.id, port, number));
  while (lane !== undefined) {
    const edge = (into ? edgesInto : edgesFrom)(graph, lane)[0];
    lane = edge && (into ? edge.from : edge.to);
    const at = lane === undefined ? undefined : graph.lanes[lane];
    if (at === undefined || (at.device !== host?.id && at.medium !== 'digital')) return at?.name;
    if (at.device !== host?.id && at.link !== undefined) return at.name;
  }
  return undefined;
}

const numbersFrom = (first: number, width: number): readonly number[] =>
  Array.from({ length: width }, (_, i) => first + i);

/** The first and, of a wide track, the last connector: what the sheet has room for. */
const named = (
  context: WorkedScene,
  port: 'input' | 'output',
  numbers: readonly number[],
): readonly string[] => numbers.flatMap((number) => outside(context, port, number) ?? []);

/** The tracks of the session by number, with their cells as typed and what lies outside the host. */
export function trackRows(context: WorkedScene): readonly TrackRow[] {
  const { session } = context;
  const tracks = [...session.tracks].sort(byNumber);
  return tracks.map((track) => {
    const outputs = track.outputs.flatMap((output) => hostOutputsOf(output, track.width));
    const inputs = track.input.from === 'host' ? numbersFrom(track.input.first, track.width) : [];
    return {
      track,
      texts: Object.fromEntries(
        TRACK_COLUMNS.map(({ field }) => [field, trackCellText(field, track, session)]),
      ) as TrackRow['texts'],
      hears: named(context, 'input', inputs),
      plays: named(context, 'output', outputs),
    };
  });
}
