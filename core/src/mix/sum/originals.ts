import { hostOf, trackPort } from '../../graph/dawTracks';
import { reach } from '../../graph/reach';
import { edgesInto } from '../../graph/walk';
import { laneIdOf } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Track } from '../../session/daw/trackSchema';
import type { Sum } from '../../session/sumSchema';
import { hostChannels } from '../hostChannels';

/** A stem that comes out of the host where its return does too. */
export interface Original {
  readonly track: Track;
  /** Outputs of the host both come out of, ascending. */
  readonly outputs: readonly number[];
}

/** The host outputs a track comes out of inside the host, over groups and buses; none where its fader is shut. */
function comesOutOf(context: WorkedScene, track: Track): ReadonlySet<number> {
  const { graph, rig, session } = context;
  const host = hostOf(rig.devices, session)?.id ?? '';
  const faders = Array.from({ length: track.width }, (_, i) =>
    graph.laneIndex.get(laneIdOf(host, trackPort(track, 'fader'), i + 1)),
  ).filter((lane) => lane !== undefined);
  const open = faders.filter((lane) => edgesInto(graph, lane).length > 0);
  const reached = reach(graph, open, 'from', 'tracks');
  return new Set(hostChannels(context).flatMap(({ number, output }) => (reached.has(output) ? number : [])));
}

/**
 * Stems that come out of an output the print of their sum comes out of: the original sounds with its return, which
 * is later by the round trip. Nothing where no track prints the sum.
 */
export function originalsWithReturn(context: WorkedScene, sum: Sum): readonly Original[] {
  const { tracks } = context.session;
  const print = tracks.find(({ id }) => id === sum.print);
  if (print === undefined) return [];
  const heard = comesOutOf(context, print);
  return sum.stems.flatMap((stem): readonly Original[] => {
    const track = tracks.find(({ id }) => id === stem.track);
    if (track === undefined) return [];
    const outputs = [...comesOutOf(context, track)].filter((number) => heard.has(number));
    return outputs.length === 0 ? [] : [{ track, outputs }];
  });
}
