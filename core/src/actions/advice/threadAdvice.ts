import type { Advised } from './advised';
import type { WorkedScene, PlannedThread } from '../../scene/workedScene';
import { settingKeyOf } from '../../rig/settings';
import { formatGain, formatLevel } from '../../units/format';
import { settingSet } from '../patchEdits';
import type { ScenePlace } from '../../session/scenePlace';
import { noiseShares } from '../../advice/noiseShares';
import { preampAdvice } from '../../advice/preampAdvice';

export interface ThreadAdvice {
  readonly preamp?: Advised;
  /** Where its noise comes from, the greatest first, down to a hundredth of it. */
  readonly noise: readonly { readonly place: string; readonly level: string; readonly percent: number }[];
}

const BECAUSE = {
  'line-up': 'that is the line-up, and every peak has its room',
  headroom: 'its peaks need their room',
  range: 'the knob goes no further',
} as const;

function preampAdvised(context: WorkedScene, place: ScenePlace, planned: PlannedThread): Advised | undefined {
  const advice = preampAdvice(context, planned);
  const station = context.graph.stations[context.graph.stationIndex.get(advice?.knob.station as never) ?? -1];
  if (advice === undefined || station === undefined) return undefined;
  const { gainDb, knob, because, tightest, nominalDbfs, peakDbfs } = advice;
  const at = tightest === undefined ? '' : ` at ${context.graph.lanes[tightest]?.name ?? ''}`;
  const gives = `${formatLevel(nominalDbfs, 'dBFS')}${peakDbfs === undefined ? '' : `, peaks at ${formatLevel(peakDbfs, 'dBFS')}`}`;
  const reason = `${BECAUSE[because]}${at}`;
  if (gainDb === knob.gainDb)
    return {
      text: `${station.name} stands right at ${formatGain(gainDb)} dB: ${reason}. It gives ${gives}.`,
      edits: [],
    };
  return {
    text: `${station.name} to ${formatGain(gainDb)} dB (now ${formatGain(knob.gainDb)}): ${reason}. It would give ${gives}.`,
    label: `Set ${station.name} to ${formatGain(gainDb)} dB`,
    edits: [
      settingSet(place, context.scene, settingKeyOf(station.device, 'gainDb', station.channel), gainDb),
    ],
  };
}

/** What to do about a thread: its preamp, and where its noise is made. */
export function threadAdvice(context: WorkedScene, place: ScenePlace, planned: PlannedThread): ThreadAdvice {
  const { graph } = context;
  const { start, path, ladder } = planned;
  const unit = ladder.rungs.at(-1)?.unit ?? 'dBu';
  const preamp = preampAdvised(context, place, planned);
  return {
    ...(preamp && { preamp }),
    noise: noiseShares(graph, start, path, ladder)
      .filter(({ share }) => share >= 0.01)
      .map(({ lane, side, atEnd, share }) => ({
        place: `${graph.lanes[lane]?.name ?? ''}${side === 'source' ? ', itself' : ''}`,
        level: formatLevel(atEnd, unit),
        percent: Math.round(share * 100),
      })),
  };
}
