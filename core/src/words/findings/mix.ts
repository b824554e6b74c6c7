import { lengthText } from '../../typed/job/jobOptions';
import { wantName } from '../mix/wantName';
import type { Speak } from './speak';
import { listed } from './speak';

const run = (first: number, sides: number): string =>
  sides === 1 ? String(first) : `${String(first)}–${String(first + sides - 1)}`;

export const MIX: Speak<'unit-wanted-twice' | 'pair-not-on-own-number'> = {
  'unit-wanted-twice': ({ units: wanted, first, live, commitS }, naming) => {
    const units = listed(wanted.map((want) => wantName(naming, want)));
    const [before, stays] = [first, live].map((ids) => ids.map((id) => naming.track(id))) as [
      string[],
      string[],
    ];
    const takes = commitS === undefined ? '' : ` (${lengthText(commitS)} in real time)`;
    const order = before.length < 2 ? '' : ' in this order';
    return {
      wrong: `${units} ${wanted.length === 1 ? 'is' : 'are'} wanted live by ${listed([...before, ...stays])} at once.`,
      remedy: `Commit ${listed(before)} first${order}${takes}, and leave ${listed(stays)} live; or give one of them another unit.`,
    };
  },
  'pair-not-on-own-number': ({ slot, send, return: back, sides }, naming, finding) => {
    const track = naming.track(finding.at[0]?.id ?? '');
    return {
      wrong: `Slot ${String(slot)} of ${track} goes out over ${run(send, sides)} and comes back over ${run(back, sides)}, though input ${run(send, sides)} is free.`,
      remedy: `Bring it back over ${run(send, sides)}: it is easier to find again.`,
    };
  },
};
