import { hostOutputsOf } from '../../session/daw/hostOutputs';
import { hostOf } from '../../graph/dawTracks';
import type { SignalGraph } from '../../graph/signalGraph';
import { edgesFrom, edgesInto } from '../../graph/walk';
import type { DeviceId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { Track } from '../../session/daw/trackSchema';
import type { Session } from '../../session/sessionSchema';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { FindingDetail } from '../findingDetail';
import type { Rule } from '../rule';

type Figures = Extract<FindingDetail, { rule: 'virtual-not-physical' }>['figures'];

/** The numbers of the host a track uses in one direction. */
function numbersOf(track: Track, port: 'input' | 'output'): readonly number[] {
  const { input } = track;
  const slots = track.inserts.flatMap((slot) =>
    slot?.kind === 'hardware' ? [port === 'input' ? slot.return : slot.send] : [],
  );
  const sends = [...track.outputs, ...track.sends.map(({ destination }) => destination)];
  const wide = (first: number): readonly number[] =>
    Array.from({ length: track.width }, (_, side) => first + side);
  const own =
    port === 'output'
      ? sends.flatMap((to) => hostOutputsOf(to, track.width))
      : input.from === 'host'
        ? wide(input.first)
        : [];
  return [...own, ...slots.flatMap(wide)];
}

/** Whether a wire leads to or from the stream behind a number of the host. */
function isWired(graph: SignalGraph, host: DeviceId, port: 'input' | 'output', number: number): boolean {
  const stream = graph.laneIndex.get(laneIdOf(host, port === 'input' ? 'stream-in' : 'stream-out', number));
  if (stream === undefined) return false;
  return (port === 'input' ? edgesInto(graph, stream) : edgesFrom(graph, stream)).some(
    ({ passive }) => passive,
  );
}

function portFigures(graph: SignalGraph, host: DeviceId, track: Track): readonly Figures[] {
  return (['input', 'output'] as const).flatMap((port) =>
    [...new Set(numbersOf(track, port))].flatMap((number): readonly Figures[] => {
      if (!graph.laneIndex.has(laneIdOf(host, port, number))) return [{ what: `no-such-${port}`, number }];
      return isWired(graph, host, port, number) ? [] : [{ what: `${port}-not-wired`, number }];
    }),
  );
}

/** Buses that are fed and not listened to, or the reverse, at the first track that uses them. */
function busFindings({ tracks, buses }: Session): readonly Finding[] {
  const keyed = new Set(
    tracks.flatMap(({ inserts }) =>
      inserts.flatMap((slot) => (slot?.kind === 'plugin' ? (slot.key ?? []) : [])),
    ),
  );
  return buses.flatMap(({ id, name }): readonly Finding[] => {
    const feeds = tracks.find((track) =>
      [...track.outputs, ...track.sends.map(({ destination }) => destination)].some(
        (to) => to.to === 'bus' && to.bus === id,
      ),
    );
    const listens = tracks.find(({ input }) => input.from === 'bus' && input.bus === id);
    const at = feeds ?? listens;
    const isHeard = listens !== undefined || keyed.has(id);
    if (at === undefined || (feeds !== undefined && isHeard)) return [];
    const what = feeds === undefined ? 'bus-unfed' : 'bus-unheard';
    return [
      { rule: 'virtual-not-physical', at: [{ kind: 'track', id: at.id }], figures: { what, bus: name } },
    ];
  });
}

function run({ graph, rig, session }: WorkedScene): readonly Finding[] {
  const host = hostOf(rig.devices, session);
  if (host === undefined) return [];
  const ports = session.tracks.flatMap((track) =>
    portFigures(graph, host.id, track)
      .slice(0, 1)
      .map((figures): Finding => ({
        rule: 'virtual-not-physical',
        at: [{ kind: 'track', id: track.id }],
        figures,
      })),
  );
  return [...ports, ...busFindings(session)];
}

export const virtualNotPhysical: Rule = {
  id: 'virtual-not-physical',
  title: 'Set up, but joined to nothing',
  severity: 'warning',
  stage: 'mix',
  why: 'A track, bus or effect can be set up in full and still lead to no connector: everything looks right on the screen and nothing is heard.',
  limits: 'Of each track the first number is named. A bus that only feeds a key counts as heard.',
  run,
};
