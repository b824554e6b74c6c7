import type { WorkedScene } from '../scene/workedScene';
import { settingsOf } from '../rig/buildDevice';
import type { GraphStation } from '../graph/signalGraph';
import { initialOf, settingKeyOf } from '../rig/settings';
import { maxLevel } from '../levels/maxLevel';
import { laneSum } from '../levels/laneSum';

/** A way to drive a summing input harder or softer with the balance as it is. */
export interface DriveChoice {
  /** To be added to what feeds the input. */
  readonly trimInDb: number;
  /** The position of the input's own gain that takes it back. */
  readonly inputGainDb: number;
  readonly nominalDbu: number;
  /** Room over the peaks at the input; negative clips. */
  readonly headroomDb?: number;
}

export interface DriveAdvice {
  readonly nominalDbu: number;
  readonly peakDbu?: number;
  readonly headroomDb?: number;
  readonly inputGainDb: number;
  readonly choices: readonly DriveChoice[];
}

/**
 * How hard a summing input is driven, and every position of its gain with the trim before it that keeps the
 * balance: what goes on in front comes off inside. Nothing where the input hears nothing.
 */
export function driveAdvice(context: WorkedScene, station: GraphStation): DriveAdvice | undefined {
  const { rig, scene, graph, field } = context;
  const { nominal, peak } = laneSum(field, station.in);
  const device = rig.devices.find(({ id }) => id === station.device);
  const spec = device && settingsOf(device).find(({ setting }) => setting === 'inputGainDb');
  if (nominal === undefined || spec === undefined) return undefined;
  const now =
    scene.settings[settingKeyOf(station.device, spec.setting, station.channel)] ??
    initialOf(spec, station.channel);
  if (typeof now !== 'number') return undefined;
  const input = graph.lanes[station.in];
  const max = input && maxLevel(input);
  const room = (trimDb: number): Pick<DriveChoice, 'headroomDb'> =>
    peak === undefined || max === undefined ? {} : { headroomDb: max - peak - trimDb };
  const positions = spec.range?.positions ?? [];
  return {
    nominalDbu: nominal,
    ...(peak !== undefined && { peakDbu: peak }),
    ...room(0),
    inputGainDb: now,
    choices: positions
      .filter((position) => position !== now)
      .map((position) => ({
        trimInDb: now - position,
        inputGainDb: position,
        nominalDbu: nominal + now - position,
        ...room(now - position),
      })),
  };
}
