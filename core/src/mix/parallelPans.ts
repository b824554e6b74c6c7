import { reach } from '../graph/reach';
import { knobReader } from '../rig/buildDevice';
import type { LaneId, TrackId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { WorkedScene } from '../scene/workedScene';
import type { Track } from '../session/daw/trackSchema';

/** A sound that stands elsewhere in a parallel bus than in the mix; −100 is full left. */
export type PanPair =
  | {
      readonly of: 'track';
      readonly track: TrackId;
      readonly send: number;
      readonly mix: number;
      readonly bus: number;
    }
  | {
      readonly of: 'channel';
      readonly lane: LaneId;
      readonly key: SettingKey;
      readonly mix: number;
      readonly bus: number;
    };

/** A bus beside the mix that passes outboard, and the sounds that stand elsewhere in it. */
export interface ParallelBus {
  /** The aux track that carries it, or the console whose cue is used so. */
  readonly carrier:
    { readonly kind: 'track'; readonly id: TrackId } | { readonly kind: 'device'; readonly id: Device['id'] };
  readonly pairs: readonly PanPair[];
}

/** Nearer than this nobody hears a difference. Common practice, no source. */
const NEAR = 3;
const differ = (a: number, b: number): boolean => Math.abs(a - b) > NEAR;

const passesOutboard = ({ inserts }: Track): boolean =>
  inserts.some((slot) => slot?.kind === 'hardware' && slot.off !== true);

/** Aux tracks with hardware in a slot, fed by sends whose pans are not those of their tracks. */
function hostBuses({ session }: WorkedScene): readonly ParallelBus[] {
  const wide = new Set(session.buses.filter(({ width }) => width === 2).map(({ id }) => id));
  return session.tracks.flatMap((aux): readonly ParallelBus[] => {
    const { input } = aux;
    if (aux.kind !== 'aux' || aux.muted || !passesOutboard(aux)) return [];
    if (input.from !== 'bus' || !wide.has(input.bus)) return [];
    const pairs = session.tracks.flatMap((track) =>
      track.muted
        ? []
        : track.sends.flatMap(({ destination, pan }, send): readonly PanPair[] =>
            destination.to === 'bus' && destination.bus === input.bus && differ(pan, track.pan)
              ? [{ of: 'track', track: track.id, send, mix: track.pan, bus: pan }]
              : [],
          ),
    );
    return [{ carrier: { kind: 'track', id: aux.id }, pairs }];
  });
}

/** Where a cue send leaves a strip, and the pan that path has in the mix: channel or monitor path. */
const PATHS: Readonly<
  Record<number, { readonly port: string; readonly pan: string; readonly toMix: string }>
> = {
  1: { port: 'channel', pan: 'pan', toMix: 'toMix' },
  2: { port: 'channel', pan: 'pan', toMix: 'toMix' },
  3: { port: 'monitor', pan: 'monitorPan', toMix: 'monitorToMix' },
  4: { port: 'monitor', pan: 'monitorPan', toMix: 'monitorToMix' },
};

/** A console whose stereo cue goes over outboard and back to itself: strips that stand elsewhere in it. */
function consoleBus(context: WorkedScene, console: Device): readonly ParallelBus[] {
  const { graph, scene } = context;
  const outs = ['cue-out-left', 'cue-out-right'].flatMap(
    (port) => graph.laneIndex.get(laneIdOf(console.id, port, 1)) ?? [],
  );
  const beyond = reach(graph, outs, 'from');
  const processed = graph.stations.some(({ role, in: into }) => role === 'processor' && beyond.has(into));
  const returns = [...beyond].some((lane) => {
    const at = graph.lanes[lane];
    return at?.device === console.id && at.direction === 'in';
  });
  if (outs.length < 2 || !processed || !returns) return [];
  const read = knobReader(console, scene.settings);
  const pairs: PanPair[] = [];
  for (let n = 1; ; n++) {
    const path = PATHS[Number(read('cue', n))];
    if (graph.laneIndex.get(laneIdOf(console.id, 'channel', n)) === undefined) break;
    if (path === undefined || read(path.toMix, n) !== true) continue;
    const [mix, bus] = [Number(read(path.pan, n)), Number(read('cuePan', n))];
    const lane = laneIdOf(console.id, path.port, n);
    if (differ(mix, bus))
      pairs.push({ of: 'channel', lane, key: settingKeyOf(console.id, 'cuePan', n), mix, bus });
  }
  return [{ carrier: { kind: 'device', id: console.id }, pairs }];
}

/** Every bus beside the mix that passes outboard: aux tracks of the host, and cues of split consoles used so. */
export const parallelBuses = (context: WorkedScene): readonly ParallelBus[] => [
  ...hostBuses(context),
  ...context.rig.devices
    .filter(({ type }) => type === 'splitConsole')
    .flatMap((console) => consoleBus(context, console)),
];
