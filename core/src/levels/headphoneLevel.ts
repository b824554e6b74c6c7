import type { SignalGraph } from '../graph/signalGraph';
import type { Device } from '../rig/rigSchema';
import { laneIdOf } from '../rig/ids';
import { voltsFromDbu } from '../units/analogueLevel';
import { laneSum } from './laneSum';
import type { LevelField } from './levelField';

/** What a pair of headphones gets and how loud that is, its louder side. */
export interface HeadphoneLevel {
  readonly nominalDbu: number;
  readonly powerMw: number;
  readonly levelDbSpl: number;
  /** Of its peaks, where crests are known. */
  readonly peakDbSpl?: number;
}

/** Sound level of headphones: sensitivity + 10·log10(P / 1 mW), P = V² / Z. */
export const headphoneDbSpl = (levelDbu: number, impedanceOhm: number, sensitivityDbPerMw: number): number =>
  sensitivityDbPerMw + 10 * Math.log10((voltsFromDbu(levelDbu) ** 2 / impedanceOhm) * 1000);

/** The level at headphones when everything in the scene sounds; undefined where nothing known reaches them. */
export function headphoneLevel(
  graph: SignalGraph,
  field: LevelField,
  { id, type, params }: Device,
): HeadphoneLevel | undefined {
  if (type !== 'headphones') return undefined;
  const { impedanceOhm, sensitivityDbPerMw } = params as { impedanceOhm: number; sensitivityDbPerMw: number };
  const sides = [1, 2]
    .map((side) => laneSum(field, graph.laneIndex.get(laneIdOf(id, 'in', side)) ?? -1))
    .filter(({ nominal }) => nominal !== undefined)
    .sort((a, b) => (b.nominal ?? 0) - (a.nominal ?? 0));
  const nominalDbu = sides[0]?.nominal;
  if (nominalDbu === undefined) return undefined;
  const peak = sides[0]?.peak;
  return {
    nominalDbu,
    powerMw: (voltsFromDbu(nominalDbu) ** 2 / impedanceOhm) * 1000,
    levelDbSpl: headphoneDbSpl(nominalDbu, impedanceOhm, sensitivityDbPerMw),
    ...(peak !== undefined && { peakDbSpl: headphoneDbSpl(peak, impedanceOhm, sensitivityDbPerMw) }),
  };
}
