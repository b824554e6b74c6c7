import { formatDb, formatMs, formatNumber } from '../../units/format';
import type { EarView } from './earView';

const spl = (level: number): string => `${level.toFixed(1)} dB SPL`;
const rounded = (db: number): string => formatNumber(Math.round(db * 10) / 10);

/** What matters of an ear, as short words in the order in which one asks. */
export function earFacts(ear: EarView): readonly string[] {
  const { volume, sumDbSpl, ownOverRestDb, ownDelayMs, talkbackDbSpl, clickDbSpl, dose } = ear;
  return [
    ...(sumDbSpl === undefined ? ['nothing of known level'] : [spl(sumDbSpl)]),
    ...(volume === undefined
      ? ['no volume before them']
      : [
          volume.isDown
            ? `${volume.box} down${volume.start === undefined ? '' : `, starts at ${rounded(volume.start.valueDb)} dB`}`
            : `${volume.box} at ${[...new Set(volume.valueDb)].map(rounded).join(' and ')} dB`,
        ]),
    ...(ownOverRestDb === undefined
      ? []
      : [`own sound ${formatDb(Math.abs(ownOverRestDb))} ${ownOverRestDb < 0 ? 'under' : 'over'} the rest`]),
    ...(ownDelayMs === undefined ? [] : [`${formatMs(ownDelayMs)} late`]),
    talkbackDbSpl === undefined ? 'no talkback' : `talkback ${spl(talkbackDbSpl)}`,
    ...(clickDbSpl === undefined ? [] : [`click ${spl(clickDbSpl)}`]),
    ...(dose === undefined ? [] : [`${String(Math.round(dose * 100))} % of a day’s dose`]),
  ];
}
