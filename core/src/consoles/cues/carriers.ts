import { carrierRows } from '../../cues/carrierSends';
import { hostOf } from '../../graph/dawTracks';
import type { Device } from '../../rig/rigSchema';
import type { SheetRow } from '../../rig/sheets/channelSheet';
import { sheetOf } from '../../rig/sheets/sheetOf';
import type { WorkedScene } from '../../scene/workedScene';
import { carrierPlaces } from '../../session/cueProblems';
import type { Carrier } from '../../session/cueSchema';
import { carrierText } from './carrierText';

/** A carrier that can be chosen. */
export interface CarrierChoice {
  readonly carrier: Carrier;
  readonly name: string;
  /** The cue of this scene that has it, or part of it, already. */
  readonly taken?: string;
}

/** Whether a bus can be the left side of a pair: its sends say so. */
function isLeft({ fedBy }: SheetRow, all: readonly SheetRow[]): boolean {
  const cell = all.map(({ cells }) => cells[fedBy ?? '']).find((each) => each?.kind === 'send');
  return cell?.kind === 'send' && cell.pair?.side === 'left';
}

/** The buses of a device, in pairs where they can be pairs, then each alone. */
function onConsole(device: Device): readonly Carrier[] {
  const rows = carrierRows(device);
  if (rows.length === 0) return [];
  const all = (sheetOf(device)?.sections ?? []).flatMap((section) => section.rows);
  const pairs = rows.flatMap((row, i) => {
    const next = rows[i + 1];
    return next !== undefined && isLeft(row, all) ? [[row.id, next.id]] : [];
  });
  const single = rows.map(({ id }) => [id]);
  return [...pairs, ...single].map((ids): Carrier => ({ on: 'console', device: device.id, rows: ids }));
}

/** The outputs of the host two by two, then each alone. */
function onHost(device: Device | undefined): readonly Carrier[] {
  const outputs = Number(device?.params['outputs'] ?? 0);
  const pairs = Array.from({ length: Math.floor(outputs / 2) }, (_, i): Carrier => ({
    on: 'host',
    first: 2 * i + 1,
    width: 2,
  }));
  const single = Array.from({ length: outputs }, (_, i): Carrier => ({ on: 'host', first: i + 1, width: 1 }));
  return [...pairs, ...single];
}

/** Everything a cue can stand on in a scene. */
export function carrierChoices(context: WorkedScene): readonly CarrierChoice[] {
  const { rig, session, scene } = context;
  const takenBy = new Map(
    session.cues
      .filter(({ scenes }) => scenes.includes(scene.id))
      .flatMap(({ carrier, name }) => carrierPlaces(carrier).map((place) => [place, name] as const)),
  );
  const consoles = rig.devices.flatMap((device) => onConsole(device));
  return [...consoles, ...onHost(hostOf(rig.devices, session))].map((carrier) => {
    const taken = carrierPlaces(carrier)
      .map((place) => takenBy.get(place))
      .find((name) => name !== undefined);
    return { carrier, name: carrierText(context, carrier), ...(taken !== undefined && { taken }) };
  });
}
