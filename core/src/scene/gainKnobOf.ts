import { settingsOf } from '../rig/buildDevice';
import type { StationId } from '../rig/ids';
import { settingKeyOf } from '../rig/settings';
import { stationOfRole } from '../routing/realise';
import type { WorkedScene, PlannedThread } from './workedScene';

/** The preamp gain a thread depends on, and how far it can be turned. */
export interface GainKnob {
  readonly station: StationId;
  readonly gainDb: number;
  readonly min: number;
  readonly max: number;
}

/** The gain knob of the preamp a thread passes; undefined where it passes none that has one. */
export function gainKnobOf({ devices, scene }: WorkedScene, planned: PlannedThread): GainKnob | undefined {
  const preamp = stationOfRole(planned, 'preamp');
  const device = preamp && devices.get(preamp.device);
  const spec = device && settingsOf(device).find((candidate) => candidate.setting === 'gainDb');
  if (preamp === undefined || spec === undefined) return undefined;
  const gainDb = scene.settings[settingKeyOf(preamp.device, 'gainDb', preamp.channel)] ?? spec.initial;
  if (typeof gainDb !== 'number') return undefined;
  return {
    station: preamp.id,
    gainDb,
    min: spec.range?.min ?? -Infinity,
    max: spec.range?.max ?? Infinity,
  };
}
