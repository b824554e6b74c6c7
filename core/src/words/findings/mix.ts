import { formatDb, formatFrequency, formatGain } from '../../units/format';
import { panText } from '../../typed/track/faderText';
import { lengthText } from '../../typed/job/jobOptions';
import { wantName } from '../mix/wantName';
import { entityName } from '../naming';
import type { Speak } from './speak';
import { listed } from './speak';

/** A loss that leaves nothing to hear. */
const GONE_DB = 60;

const run = (first: number, sides: number): string =>
  sides === 1 ? String(first) : `${String(first)}–${String(first + sides - 1)}`;

export const MIX: Speak<
  'unit-wanted-twice' | 'pair-not-on-own-number' | 'fader-far-from-unity' | 'mono-sum-loss' | 'pan-mismatch'
> = {
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
  'fader-far-from-unity': ({ faderDb }, naming, finding) => ({
    wrong: `The fader of ${naming.track(finding.at[0]?.id ?? '')} stands at ${formatGain(faderDb)} dB, where a tenth of a dB cannot be set.`,
    remedy: 'Put it to unity, and what it did into a trim behind the inserts.',
  }),
  'mono-sum-loss': ({ lossDb, worstHz, worstLossDb }, naming, finding) => {
    const [track, sound] = finding.at;
    const whose = sound === undefined ? '' : entityName(naming, sound);
    const worst = worstLossDb > GONE_DB ? 'all of it' : formatDb(worstLossDb);
    return {
      wrong: `Summed to mono, ${whose} on ${naming.track(track?.id ?? '')} loses ${lossDb > GONE_DB ? 'all of itself' : `${formatDb(lossDb)} on average`}, and ${worst} at ${formatFrequency(worstHz)}.`,
      remedy: 'Turn the polarity of one side, bring both back in time, or keep one side.',
    };
  },
  'pan-mismatch': ({ pairs }, naming, finding) => {
    const [carrier, ...places] = finding.at.map((ref) => entityName(naming, ref));
    const each = places.map((name, i) => {
      const { mix = 0, bus = 0 } = pairs[i] ?? {};
      return `${name} ${panText(mix)} in the mix and ${panText(bus)} beside it`;
    });
    return {
      wrong: `${carrier ?? ''} is mixed in beside what it comes from, and ${pairs.length === 1 ? 'one stands' : `${String(pairs.length)} stand`} elsewhere in it: ${listed(each)}.`,
      remedy: 'Pan the sends as the sounds stand in the mix.',
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
