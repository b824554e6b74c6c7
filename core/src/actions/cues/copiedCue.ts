import { cueCellText } from '../../consoles/cues/cueCell';
import { cueMatrix, sourceKey } from '../../cues/cueSources';
import type { CueColumn, CueSend } from '../../cues/cueSources';
import type { CueId } from '../../rig/ids';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { CueEntry } from './cueCells';
import { cueCells } from './cueCells';
import type { WorkPlace } from '../workPlace';

/** The words that place a source in the stereo picture, which a mono carrier has not. */
const PLACE = /\s(?:[LR]\d+|left|right|both)\b/g;
const TAP = /\s(?:pre|post)\b/g;

const cellOf = (column: CueColumn, key: string): readonly CueSend[] => column.sends.get(key) ?? [];

/** A send in the words of another carrier: without pan where it has none, without a tap where it has one only. */
function inWordsOf(column: CueColumn, key: string, text: string): string {
  const [first] = cellOf(column, key);
  if (first === undefined || text === 'off') return text;
  const { carrier } = column.cue;
  if (first.send.kind === 'track')
    return carrier.on === 'host' && carrier.width === 2 ? text : text.replace(PLACE, '');
  const { taps, pan } = first.send.cell;
  const words = taps.map(({ word }) => word);
  const bare = words.includes('pre') ? text : text.replace(TAP, '');
  if (words.includes('both')) {
    const side = /\sL\d/.test(text) ? 'left' : /\sR\d/.test(text) ? 'right' : 'both';
    return /\s(left|right|both)\b/.test(bare) ? bare : `${bare.replace(PLACE, '')} ${side}`;
  }
  return pan === undefined ? bare.replace(PLACE, '') : bare.replace(/\s(left|right|both)\b/g, '');
}

/** The levels of one cue for others: what comes to their carriers, in the words of each. */
export function copiedCue(it: WorkPlace, from: CueId, to: readonly CueId[]): ChannelPlan {
  const { context } = it;
  const { sources, columns } = cueMatrix(context);
  const own = columns.find(({ cue }) => cue.id === from);
  if (own === undefined) return { edits: [], changes: [], refused: [] };
  const entries = columns
    .filter(({ cue }) => to.includes(cue.id) && cue.id !== from)
    .flatMap((column) =>
      sources.flatMap((source): readonly CueEntry[] => {
        const key = sourceKey(source);
        const [sends, others] = [cellOf(own, key), cellOf(column, key)];
        if (sends.length === 0 || others.length === 0) return [];
        const text = cueCellText(sends, own, context.scene).replace(/ return$/, '');
        return [{ source: key, cue: column.cue.id, text: inWordsOf(column, key, text) }];
      }),
    );
  return cueCells(it, entries);
}
