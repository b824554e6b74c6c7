import type { WorkedScene } from '../../scene/workedScene';
import { threadName } from '../../session/threadName';
import { settingsOf } from '../../rig/buildDevice';
import { lanesOf } from '../../rig/faces';
import type { DeviceId, LaneId } from '../../rig/ids';
import type { Session } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import { formatLevel, formatOhm } from '../../units/format';
import type { LaneRow } from '../../rig/wiring/laneRows';
import { laneRows, rowNumbersText } from '../../rig/wiring/laneRows';
import type { SettingCell } from '../settingCells';
import { knobCells } from '../settingCells';

/** A row of connectors of a device, with its figures and what it is wired to. */
export interface PortLine {
  readonly name: string;
  readonly direction: 'in' | 'out';
  readonly medium: string;
  readonly connector: string;
  readonly count: number;
  readonly face: string;
  readonly figures: string;
  readonly wiredTo: readonly string[];
}

/** Everything a device page shows. */
export interface DeviceViewModel {
  readonly id: DeviceId;
  readonly ports: readonly PortLine[];
  /** Threads of the scene that run through it. */
  readonly threads: readonly string[];
  /** What plans on it, in every session: "Session: 1 Narrator". */
  readonly uses: readonly string[];
  /** Channels that knobs are counted by; 0 where it has none. */
  readonly channels: number;
}

function figuresOf(context: WorkedScene, row: LaneRow): string {
  const lane = context.graph.lanes[context.graph.laneIndex.get(row.lanes[0]?.lane ?? ('' as LaneId)) ?? -1];
  const { input, output } = lane ?? {};
  const ohm = input?.loadOhm ?? output?.sourceOhm;
  const max = input?.maxDbu ?? output?.maxDbu;
  return [
    ohm === undefined ? '' : formatOhm(ohm),
    max === undefined ? '' : `max ${formatLevel(max, 'dBu')}`,
    lane?.balanced === false ? 'unbalanced' : '',
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** What the lanes of a row are wired to, row by row: "Bay A upper rear 1–8". */
function wiredTo({ rig }: WorkedScene, row: LaneRow): readonly string[] {
  const own = new Set(row.lanes.map(({ lane }) => lane));
  const far = new Set(
    rig.hardwires.flatMap(({ from, to }) => (own.has(from) ? [to] : own.has(to) ? [from] : [])),
  );
  const devices = new Set([...far].map((id) => id.slice(0, id.indexOf('/'))));
  return rig.devices
    .filter(({ id }) => devices.has(id))
    .flatMap((device) =>
      laneRows(device).flatMap((other) => {
        const numbers = other.lanes.filter(({ lane }) => far.has(lane)).map(({ number }) => number);
        if (numbers.length === 0) return [];
        return [
          `${device.name} ${other.name}${other.lanes.length > 1 ? ` ${rowNumbersText(other, numbers)}` : ''}`.trim(),
        ];
      }),
    );
}

const portLine = (context: WorkedScene, row: LaneRow): PortLine => ({
  name: row.name === '' ? row.device.name : row.name,
  direction: row.direction,
  medium: row.medium === 'any' ? 'copper' : row.medium,
  connector: row.connector,
  count: row.lanes.length,
  face: row.face,
  figures: figuresOf(context, row),
  wiredTo: wiredTo(context, row),
});

/** The threads and scenes of a session that name a device. */
function usesIn(session: Session, id: DeviceId): readonly string[] {
  const names = (ref: string): boolean => ref.startsWith(`${id}/`);
  const threads = session.threads
    .filter(({ from, inserts, pins }) => [from, ...inserts, ...Object.values(pins)].some(names))
    .map((thread) => `${session.name}: ${threadName(thread)}`);
  const scenes = session.scenes.flatMap((scene) => {
    const cords = scene.cords.filter(({ from, to }) => names(from) || names(to)).length;
    return cords === 0
      ? []
      : [`${session.name}, ${scene.name}: ${cords === 1 ? 'one cord' : `${cords} cords`}`];
  });
  return [...threads, ...scenes, ...(session.host === id ? [`${session.name}: its tracks`] : [])];
}

/** Ports, figures, wiring and uses of one device. */
export function deviceView(studio: Studio, context: WorkedScene, id: DeviceId): DeviceViewModel | undefined {
  const device = context.rig.devices.find((each) => each.id === id);
  if (device === undefined) return undefined;
  const lanes = lanesOf(device);
  const isOn = (lane: number): boolean => lanes.has(context.graph.lanes[lane]?.id ?? ('' as LaneId));
  return {
    id,
    ports: laneRows(device).map((row) => portLine(context, row)),
    threads: context.threads
      .filter(({ start, path }) => isOn(start) || path.some((edge) => isOn(edge.to)))
      .map(({ thread }) => threadName(thread)),
    uses: studio.sessions.flatMap((session) => usesIn(session, id)),
    channels: Math.max(0, ...settingsOf(device).map(({ channels }) => channels)),
  };
}

/** The knobs of one channel of a device in the scene, as they stand. */
export function channelSettings(context: WorkedScene, id: DeviceId, channel: number): readonly SettingCell[] {
  const device = context.rig.devices.find((each) => each.id === id);
  if (device === undefined) return [];
  const knobs = settingsOf(device)
    .filter(({ channels }) => channel <= channels)
    .map(({ setting }) => ({ setting, channel }));
  return knobCells(context, id, knobs);
}
