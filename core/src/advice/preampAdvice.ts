import type { WorkedScene, PlannedThread } from '../scene/workedScene';
import type { GainKnob } from '../scene/gainKnobOf';
import { gainKnobOf } from '../scene/gainKnobOf';
import { stationOfRole } from '../routing/realise';

/** Where to set a preamp, and what decides it. */
export interface PreampAdvice {
  readonly knob: GainKnob;
  /** In whole decibels, within the range of the knob. */
  readonly gainDb: number;
  /** The line-up is reached, a peak needs its room before that, or the knob ends. */
  readonly because: 'line-up' | 'headroom' | 'range';
  /** The lane with the least room, where that decides. */
  readonly tightest?: number;
  /** What it gives at the converter. */
  readonly nominalDbfs: number;
  readonly peakDbfs?: number;
}

/**
 * The gain that brings a source to the line-up at its converter with the session's headroom over its peaks
 * everywhere behind the preamp: the lower of the two, rounded down. Nothing where a level is not known.
 */
export function preampAdvice(context: WorkedScene, planned: PlannedThread): PreampAdvice | undefined {
  const { lineUp, headroomDb: wanted } = context.session;
  const knob = gainKnobOf(context, planned);
  const [preamp, converter] = [stationOfRole(planned, 'preamp'), stationOfRole(planned, 'converter')];
  const { rungs } = planned.ladder;
  const arrived = rungs.find(({ lane }) => lane === converter?.out);
  if (knob === undefined || preamp === undefined || arrived?.nominal === undefined) return undefined;
  const behind = rungs.slice(rungs.findIndex(({ lane }) => lane === preamp.out));
  const tight = behind.reduce<{ room: number; lane?: number }>(
    (least, { headroomDb, lane }) =>
      headroomDb !== undefined && headroomDb < least.room ? { room: headroomDb, lane } : least,
    { room: Infinity },
  );
  const toLineUp = lineUp.dbfs - arrived.nominal;
  const toRoom = tight.room - wanted;
  const ideal = Math.floor(knob.gainDb + Math.min(toLineUp, toRoom) + 1e-9);
  const gainDb = Math.min(knob.max, Math.max(knob.min, ideal));
  const because = gainDb !== ideal ? 'range' : toRoom < toLineUp ? 'headroom' : 'line-up';
  const change = gainDb - knob.gainDb;
  return {
    knob,
    gainDb,
    because,
    ...(because === 'headroom' && tight.lane !== undefined && { tightest: tight.lane }),
    nominalDbfs: arrived.nominal + change,
    ...(arrived.peak !== undefined && { peakDbfs: arrived.peak + change }),
  };
}
