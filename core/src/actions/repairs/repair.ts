import type { Edit } from '../../edits/make';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding, RuleId } from '../../checks/finding';
import type { FindingDetail } from '../../checks/findingDetail';
import type { GraphStation } from '../../graph/signalGraph';
import type { StationId } from '../../rig/ids';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { settingKeyOf } from '../../rig/settings';
import type { Studio } from '../../session/studioSchema';
import { settingSet } from '../patchEdits';
import type { ScenePlace } from '../../session/scenePlace';

/** A ready change that mends a finding. */
export interface Repair {
  /** "Turn Mic preamp 2 to +52.0 dB". */
  readonly label: string;
  readonly edits: readonly Edit[];
}

/** What a mend works on. */
export interface Bench {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly context: WorkedScene;
}

export type Figures<R extends RuleId> = Extract<FindingDetail, { rule: R }>['figures'];
/** Ready changes for a finding of one rule. */
export type Mend = (bench: Bench, figures: never, finding: Finding) => readonly Repair[];

export const stationNamed = (
  { context: { graph } }: Bench,
  id: string | undefined,
): GraphStation | undefined => graph.stations[graph.stationIndex.get(id as StationId) ?? -1];

/** The id of the n-th thing of a kind that a finding is about. */
export const refOf = (finding: Finding, kind: string, nth = 0): string | undefined =>
  finding.at.filter((ref) => ref.kind === kind)[nth]?.id;

export const turned = ({ context, place }: Bench, key: SettingKey, value: SettingValue): Edit =>
  settingSet(place, context.scene, key, value);

/** Sets a knob of a station. */
export function atStation(
  bench: Bench,
  id: string | undefined,
  setting: string,
  value: SettingValue,
): readonly Edit[] {
  const station = stationNamed(bench, id);
  if (station === undefined) return [];
  return [turned(bench, settingKeyOf(station.device, setting, station.channel), value)];
}

/** One repair, or none where there is nothing to change. */
export const single = (label: string, edits: readonly Edit[]): readonly Repair[] =>
  edits.length === 0 ? [] : [{ label, edits }];
