import { hostChannels } from '../../mix/hostChannels';
import { hostUses } from '../../mix/hostUses';
import { cordsBetween, patchable } from '../../mix/patchable';
import { isAnalogue } from '../../rig/medium';
import type { WorkedScene } from '../../scene/workedScene';
import type { InsertRoundTrip } from '../../timing/insertRoundTrips';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

/** The output of the last unit of a trip: the last lane with electronics before the converter takes it in. */
function lastOutput({ graph }: WorkedScene, { path }: InsertRoundTrip): number | undefined {
  return path
    .map(({ to }) => graph.lanes[to])
    .filter((lane) => lane?.direction === 'out' && isAnalogue(lane.medium) && lane.face !== 'inside')
    .at(-1)?.index;
}

/** Whether a side could come back to the number it goes out on: nothing else is there, and it can be brought there. */
function couldReturn(context: WorkedScene, trip: InsertRoundTrip): boolean {
  const number = trip.settings.send + trip.side - 1;
  if (hostUses(context).inputs.some((use) => use.number === number)) return false;
  const output = lastOutput(context, trip);
  const channel = hostChannels(context).find((each) => each.number === number);
  if (output === undefined || channel === undefined) return false;
  const from = patchable(context.graph, output, 'from');
  return channel.adcs.some(
    ({ lane }) => cordsBetween(from, patchable(context.graph, lane, 'to')) !== undefined,
  );
}

function run(context: WorkedScene): readonly Finding[] {
  const { insertRoundTrips, session } = context;
  if (session.hostProfile.insertPairs === 'strict') return [];
  const firsts = insertRoundTrips.filter(
    ({ side, comesBack, settings }) => side === 1 && comesBack && settings.send !== settings.return,
  );
  return firsts.flatMap((first): readonly Finding[] => {
    const { track, slot, settings } = first;
    const sides = insertRoundTrips.filter((trip) => trip.track.id === track.id && trip.slot === slot);
    if (!sides.every((trip) => trip.comesBack && couldReturn(context, trip))) return [];
    return [
      {
        rule: 'pair-not-on-own-number',
        at: [{ kind: 'track', id: track.id }],
        figures: { slot, send: settings.send, return: settings.return, sides: sides.length },
      },
    ];
  });
}

export const pairNotOnOwnNumber: Rule = {
  id: 'pair-not-on-own-number',
  title: 'An insert could return on its own number',
  severity: 'note',
  stage: 'mix',
  why: 'Where pairs are free an insert may come back anywhere. On the number it went out on it is found again at the bay, in the host, and next month.',
  limits:
    'Says so only where the input of that number is free and the unit can be brought to it. Where pairs are strict, another number is an error of its own.',
  run,
};
