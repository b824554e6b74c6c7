import { hostOf, trackPort } from '../graph/dawTracks';
import { knobReader } from '../rig/buildDevice';
import { laneIdOf } from '../rig/ids';
import type { Device } from '../rig/rigSchema';
import type { SendCell, SheetRow, SheetSection } from '../rig/sheets/channelSheet';
import { sheetOf } from '../rig/sheets/sheetOf';
import type { WorkedScene } from '../scene/workedScene';
import type { Carrier } from '../session/cueSchema';
import type { Send, Track } from '../session/daw/trackSchema';

/** A row of a channel sheet that can send to a carrier. */
export interface DeskSend {
  readonly kind: 'desk';
  readonly device: Device;
  readonly row: SheetRow;
  readonly section: string;
  readonly column: string;
  readonly cell: SendCell;
}

/** A track that can send to a carrier, and its send where it has one. */
export interface TrackSend {
  readonly kind: 'track';
  readonly track: Track;
  readonly send?: Send;
}

/** One possible send to a carrier, as it stands in the scene. */
export type CarrierSend = (DeskSend | TrackSend) & {
  /** Where its sound is before the send, in the graph; left out where the rig has lost it. */
  readonly lane?: number;
  readonly isOn: boolean;
  readonly levelDb: number;
  /** Where it leaves: before or after the fader; left out where it has one place only. */
  readonly tap?: 'pre' | 'post';
  /** Whether a mute of its channel silences it. */
  readonly isMutedAlong: boolean;
};

/** A carrier that a cue can stand on, with everything that can send to it. */
export interface CarrierFound {
  readonly ok: true;
  readonly sends: readonly CarrierSend[];
  /** The buses by their rows; none for host outputs. */
  readonly buses: readonly SheetRow[];
  readonly device?: Device;
}

/** Why a carrier is none: its device or the host is gone, it has no such bus, or no sends lead to it. */
export interface CarrierGone {
  readonly ok: false;
  readonly why: 'no-device' | 'no-bus' | 'no-host' | 'no-output';
}

/** Buses of a device that can carry a cue, in the order of its sheet. */
export const carrierRows = (device: Device): readonly SheetRow[] =>
  (sheetOf(device)?.sections ?? []).flatMap(({ rows }) => rows).filter(({ fedBy }) => fedBy !== undefined);

type Reading = ReturnType<typeof knobReader>;

const tapOf = ({ taps, from }: SendCell, read: Reading): 'pre' | 'post' | undefined => {
  const word = taps.find(({ position }) => position === read(from.setting, from.channel))?.word;
  return word === 'pre' || word === 'post' ? word : undefined;
};

const isSendOn = ({ taps, from }: SendCell, read: Reading): boolean => {
  const at = read(from.setting, from.channel);
  return at === true || taps.some(({ position }) => position === at);
};

function deskSends(context: WorkedScene, device: Device, column: string): readonly CarrierSend[] {
  const read = knobReader(device, context.scene.settings);
  const cutsPre = device.params['muteCutsPreSends'] === true;
  const sendsOf = ({ id: section, rows }: SheetSection): readonly CarrierSend[] =>
    rows.flatMap((row) => {
      const cell = row.cells[column];
      if (cell?.kind !== 'send') return [];
      const lane = row.lane && context.graph.laneIndex.get(laneIdOf(device.id, row.lane.port, row.lane.lane));
      const tap = tapOf(cell, read);
      return [
        {
          ...{ kind: 'desk' as const, device, row, section, column, cell },
          ...(lane !== undefined && { lane }),
          ...(tap !== undefined && { tap }),
          isOn: isSendOn(cell, read),
          levelDb: Number(read(cell.level.setting, cell.level.channel)),
          isMutedAlong: tap === 'post' || (tap === 'pre' && cutsPre),
        },
      ];
    });
  return (sheetOf(device)?.sections ?? []).flatMap(sendsOf);
}

/** Whether a send goes to the outputs of a carrier: it begins at the same one. */
export const leadsTo = ({ destination }: Send, { first }: Extract<Carrier, { on: 'host' }>): boolean =>
  destination.to === 'host' && destination.first === first;

function trackSends(
  { session, graph }: WorkedScene,
  host: Device,
  carrier: Extract<Carrier, { on: 'host' }>,
): readonly CarrierSend[] {
  return session.tracks
    .filter(({ kind }) => kind !== 'vca')
    .map((track) => {
      const send = track.sends.find((each) => leadsTo(each, carrier));
      const start = track.kind === 'aux' || track.kind === 'group' ? 'in' : 'pre';
      const lane = graph.laneIndex.get(laneIdOf(host.id, trackPort(track, start), 1));
      return {
        ...{ kind: 'track' as const, track },
        ...(send !== undefined && { send, tap: send.preFader ? ('pre' as const) : ('post' as const) }),
        ...(lane !== undefined && { lane }),
        isOn: send !== undefined,
        levelDb: send?.levelDb ?? 0,
        isMutedAlong: send?.preFader === false,
      };
    });
}

/** Everything that can send to a carrier in a scene, as it stands; or why it is no carrier there. */
export function carrierSends(context: WorkedScene, carrier: Carrier): CarrierFound | CarrierGone {
  const { devices, session, graph, rig } = context;
  if (carrier.on === 'host') {
    const host = hostOf(rig.devices, session);
    if (host === undefined) return { ok: false, why: 'no-host' };
    const last = carrier.first + carrier.width - 1;
    if (!graph.laneIndex.has(laneIdOf(host.id, 'output', last))) return { ok: false, why: 'no-output' };
    return { ok: true, sends: trackSends(context, host, carrier), buses: [] };
  }
  const device = devices.get(carrier.device);
  if (device === undefined) return { ok: false, why: 'no-device' };
  const rows = carrierRows(device);
  const buses = carrier.rows.flatMap((id) => rows.find((row) => row.id === id) ?? []);
  const column = buses[0]?.fedBy;
  if (column === undefined || buses.length < carrier.rows.length) return { ok: false, why: 'no-bus' };
  return { ok: true, device, buses, sends: deskSends(context, device, column) };
}
