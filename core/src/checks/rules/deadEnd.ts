import { hostOutputsOf } from '../../session/daw/hostOutputs';
import type { Track } from '../../session/daw/trackSchema';
import { trackStateIn } from '../../session/daw/tracksIn';
import { hostOf } from '../../graph/dawTracks';
import type { SignalGraph } from '../../graph/signalGraph';
import { trace } from '../../graph/trace';
import { laneIdOf } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import { laneRef } from '../../scene/places';
import type { Rule } from '../rule';

/** Whether a lane belongs to a device of another kind than copper, other than the host. */
const isSomewhere = (graph: SignalGraph, host: string, lane: number): boolean => {
  const at = graph.lanes[lane];
  return at !== undefined && at.medium !== 'any' && at.device !== host;
};

/** Media that end in ears or on a recorder, and everything analogue that is an input. */
function isHeard(context: WorkedScene, host: string, from: number): boolean {
  const { graph } = context;
  return trace(graph, from, 'from').lanes.some((lane) => {
    const at = graph.lanes[lane];
    if (!isSomewhere(graph, host, lane) || at?.direction !== 'in' || at.face === 'inside') return false;
    return at.connector !== 'host';
  });
}

const isFed = ({ graph }: WorkedScene, host: string, input: number): boolean =>
  trace(graph, input, 'to').lanes.some((lane) => {
    const at = graph.lanes[lane];
    return (
      isSomewhere(graph, host, lane) &&
      at?.direction === 'out' &&
      at.connector !== 'host' &&
      at.face !== 'inside'
    );
  });

/** Whether a track records in other scenes alone: what it listens to here does not matter. */
function recordsElsewhere({ session, scene }: WorkedScene, track: Track): boolean {
  const here = trackStateIn(scene, track);
  if (here.recordArm || here.inputMonitor) return false;
  return session.scenes.some(({ trackStates }) =>
    trackStates?.some(({ id, recordArm, inputMonitor }) => id === track.id && (recordArm || inputMonitor)),
  );
}

/** Host outputs tracks play to and host inputs tracks listen to, with nothing behind them. */
function run(context: WorkedScene): readonly Finding[] {
  const { graph, rig, session } = context;
  const host = hostOf(rig.devices, session);
  if (host === undefined) return [];
  const lane = (port: 'input' | 'output', number: number): number | undefined =>
    graph.laneIndex.get(laneIdOf(host.id, port, number));
  const seen = new Set<number>();
  return session.tracks.flatMap((track) => {
    const sides = Array.from({ length: track.width }, (_, i) => i);
    const finding = (what: 'output' | 'input', at: number): Finding => ({
      rule: 'dead-end',
      at: [{ kind: 'track', id: track.id }, laneRef(context, at)],
      figures: { what },
    });
    const outputs = [...track.outputs, ...track.sends.map(({ destination }) => destination)]
      .flatMap((to) => hostOutputsOf(to, track.width).map((number) => lane('output', number)))
      .filter((at): at is number => at !== undefined && !seen.has(at) && !isHeard(context, host.id, at));
    for (const at of outputs) seen.add(at);
    const { input } = track;
    const inputs = (
      input.from === 'host' && !recordsElsewhere(context, track)
        ? sides.map((side) => lane('input', input.first + side))
        : []
    ).filter((at): at is number => at !== undefined && !isFed(context, host.id, at));
    return [
      ...outputs.map((at) => finding('output', at)),
      ...inputs.slice(0, 1).map((at) => finding('input', at)),
    ];
  });
}

export const deadEnd: Rule = {
  id: 'dead-end',
  title: 'Leads nowhere',
  severity: 'note',
  stage: 'mix',
  why: 'A track that plays into an output nobody listens to is not heard; one that listens to an input nothing feeds records silence.',
  limits:
    'Looks at the host’s inputs and outputs that tracks use. Of each track and side the first is named. An input of a track that is armed or monitored in other scenes alone is left out.',
  run,
};
