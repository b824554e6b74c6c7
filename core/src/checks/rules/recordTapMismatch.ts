import { checksOf } from '../../playback/checksOf';
import type { CheckFault } from '../../playback/checkFaults';
import type { CheckUp } from '../../playback/checkUp';
import type { EntityRef } from '../../session/entityRef';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The recorder, a switch on the way to it, and the channels by where they begin. */
function placesOf(up: CheckUp, fault: CheckFault): readonly EntityRef[] {
  const channels = 'channels' in fault ? fault.channels : [];
  const beside: readonly EntityRef[] =
    'device' in fault && fault.device.id !== up.recorder.id ? [{ kind: 'device', id: fault.device.id }] : [];
  return [
    { kind: 'device', id: up.recorder.id },
    ...beside,
    ...channels.flatMap(({ live }): EntityRef[] => {
      const lane = up.live.graph.lanes[live.lane];
      return lane === undefined ? [] : [{ kind: 'lane', id: lane.id }];
    }),
  ];
}

function finding(up: CheckUp, fault: CheckFault): Finding {
  const [first] = 'channels' in fault ? fault.channels : [];
  const [recordedOn, playsFrom] = [first?.recordedOn?.number, first?.playsFrom[0]?.number];
  return {
    rule: 'record-tap-mismatch',
    at: placesOf(up, fault),
    figures: {
      fault: fault.code,
      ...('by' in fault && { by: fault.by }),
      ...(recordedOn !== undefined && playsFrom !== undefined && { first: { recordedOn, playsFrom } }),
      tracks: 'tracks' in fault ? fault.tracks.map(({ name }) => name) : [],
    },
  };
}

const run = (context: WorkedScene): readonly Finding[] =>
  checksOf(context).flatMap(({ up, faults }) =>
    faults.filter(({ code }) => code !== 'armed').map((fault) => finding(up, fault)),
  );

export const recordTapMismatch: Rule = {
  id: 'record-tap-mismatch',
  title: 'Record tap and playback do not match',
  severity: 'error',
  stage: 'track',
  why: 'A channel that plays back another source than it had on stage is set for the wrong instrument, and a row that is off by one track is off everywhere. What was recorded behind a fader or an equaliser passes it a second time.',
  limits:
    'Channels of playback checks, followed through their live and their playback scene. Gains and levels are not compared, nor the order of the tracks; copies for trainees are not looked at.',
  run,
};
