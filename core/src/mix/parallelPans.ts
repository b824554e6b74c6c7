import { carrierRows, carrierSends } from '../cues/carrierSends';
import { reach } from '../graph/reach';
import { knobReader } from '../rig/buildDevice';
import type { LaneId, TrackId } from '../rig/ids';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SettingKey } from '../rig/settings';
import { settingKeyOf } from '../rig/settings';
import type { SheetRow } from '../rig/sheets/channelSheet';
import type { Carrier } from '../session/cueSchema';
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

/** A bus of a console that goes over outboard and back to it, and the strips that stand elsewhere in it than in the mix. */
export interface DeskParallel {
  readonly bus: SheetRow;
  readonly pairs: readonly PanPair[];
}

/** Whether what leaves by a bus passes a unit and comes back to the console. */
function comesBackProcessed({ graph }: WorkedScene, console: Device, { lane }: SheetRow): boolean {
  const start = lane && graph.laneIndex.get(laneIdOf(console.id, lane.port, lane.lane));
  if (start === undefined) return false;
  const beyond = reach(graph, [start], 'from');
  return (
    graph.stations.some(({ role, in: into }) => role === 'processor' && beyond.has(into)) &&
    [...beyond].some((at) => {
      const { device, direction } = graph.lanes[at] ?? {};
      return device === console.id && direction === 'in';
    })
  );
}

function pairsOf(context: WorkedScene, console: Device, carrier: Carrier): readonly PanPair[] {
  const read = knobReader(console, context.scene.settings);
  const found = carrierSends(context, carrier);
  return (found.ok ? found.sends : []).flatMap((send): readonly PanPair[] => {
    if (send.kind !== 'desk' || !send.isOn) return [];
    const { cells, lane } = send.row;
    const [toMix, pan, busPan] = [cells['toMix'], cells['pan'], send.cell.pan];
    if (lane === undefined || busPan === undefined) return [];
    if (toMix?.kind !== 'knob' || read(toMix.knob.setting, toMix.knob.channel) !== true) return [];
    const mix = pan?.kind === 'knob' ? Number(read(pan.knob.setting, pan.knob.channel)) : 0;
    const bus = Number(read(busPan.setting, busPan.channel));
    const key = settingKeyOf(console.id, busPan.setting, busPan.channel);
    return differ(mix, bus)
      ? [{ of: 'channel', lane: laneIdOf(console.id, lane.port, lane.lane), key, mix, bus }]
      : [];
  });
}

const isStereo = (console: Device, { cells, leaves }: SheetRow, context: WorkedScene): boolean => {
  const { stereo } = cells;
  const read = knobReader(console, context.scene.settings);
  return stereo?.kind === 'knob'
    ? read(stereo.knob.setting, stereo.knob.channel) === true
    : leaves?.length === 2;
};

/** Every bus of a console that is used as a parallel one: its stereo cue, or two auxes as a pair. */
export const deskParallels = (context: WorkedScene, console: Device): readonly DeskParallel[] =>
  carrierRows(console)
    .filter((bus) => isStereo(console, bus, context) && comesBackProcessed(context, console, bus))
    .map((bus) => ({
      bus,
      pairs: pairsOf(context, console, { on: 'console', device: console.id, rows: [bus.id] }),
    }));

function consoleBus(context: WorkedScene, console: Device): readonly ParallelBus[] {
  const buses = deskParallels(context, console);
  const pairs = buses.flatMap((each) => each.pairs);
  return buses.length === 0 ? [] : [{ carrier: { kind: 'device', id: console.id }, pairs }];
}

/** Every bus beside the mix that passes outboard: aux tracks of the host, and buses of consoles used so. */
export const parallelBuses = (context: WorkedScene): readonly ParallelBus[] => [
  ...hostBuses(context),
  ...context.rig.devices.flatMap((device) => consoleBus(context, device)),
];
