import { hostChannels } from '../../../mix/hostChannels';
import { hostUses } from '../../../mix/hostUses';
import { ChainWishes } from '../../../mix/chainWish';
import type { JobStand } from '../../../mix/jobStand';
import type { WorkedScene } from '../../../scene/workedScene';
import { rangesText } from '../../../text/rangesText';

/** Why a chain gets no converter channels, and what would give it some. */
export function noRoomSentence(context: WorkedScene, { job, track }: JobStand): string {
  const wish = new ChainWishes(context).of(job, track.width);
  const starts = hostChannels(context)
    .map(({ number }) => number)
    .filter((n) => track.width === 1 || n % 2 === 1);
  const sends = starts.filter((n) => wish.sendCost(n) !== undefined);
  const returns = starts.filter((n) => wish.returnCost(n) !== undefined);
  const isStrict = context.session.hostProfile.insertPairs === 'strict';
  if (sends.length === 0 || returns.length === 0)
    return `No converter channel reaches ${sends.length === 0 ? 'the first' : 'the last'} unit of this chain: it has no jack and no wiring to one. Wire it to a bay or a converter in Rig, Fixed wiring.`;
  if (isStrict && !sends.some((n) => returns.includes(n)))
    return `The chain goes out over ${rangesText(sends)} and comes back over ${rangesText(returns)}, and this kind of host needs one number for both. Wire both ends to a bay in Rig, or choose a host with free pairs under Mix, Tracks.`;
  const { inputs, outputs } = hostUses(context);
  const taken = [...outputs, ...inputs]
    .filter(
      ({ number, job, what }) =>
        (what !== 'line' || job === undefined) && (sends.includes(number) || returns.includes(number)),
    )
    .map(({ name }) => name);
  const who = [...new Set(taken)].slice(0, 3).join(', ');
  return `No ${track.width === 1 ? 'channel' : 'odd and even pair'} of the converter is free${isStrict ? ' with one number out and in' : ''}; ${who} use what would do. Free one of theirs, or commit a job first.`;
}
