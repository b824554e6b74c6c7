import type { ChannelCell } from '../../rig/sheets/channelSheet';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { countOn } from '../../text/countOn';
import { numberRange } from '../../text/numberRange';
import { rangesText } from '../../text/rangesText';
import type { Knobs } from './cellKind';
import { readName } from './namedText';
import { NOTHING } from './patchCell';

/** Names that are counted through: the sources of a patch, the positions of a selector. */
function namesOf(cell: ChannelCell, knobs: Knobs): readonly string[] | undefined {
  // Banks of a coarse patch are filled up with their last source, which is then there more than once.
  if (cell.kind === 'patch') return [...new Set(cell.sources)];
  return cell.kind === 'knob' ? knobs.spec(cell.knob)?.names : undefined;
}

function named(names: readonly string[], text: string, by: number): CellReading<string> {
  if (text === NOTHING) return value(text);
  const first = readName('what can be listened to here', names, text);
  if (!first.ok) return first;
  const name = names[first.value + by];
  return name === undefined
    ? refuse(
        `“${names.at(-1) ?? ''}” is the last: from “${text}” on there are ${String(names.length - first.value)}.`,
      )
    : value(name);
}

/** What stands so many rows below a text when it is counted on: "local in 1", then "local in 2". */
export function countedText(cell: ChannelCell, text: string, by: number, knobs: Knobs): CellReading<string> {
  const names = namesOf(cell, knobs);
  if (names !== undefined) return named(names, text, by);
  if (cell.kind !== 'set') return value(countOn(text, by));
  const range = numberRange(text);
  return value(range.ok ? rangesText(range.numbers.map((n) => n + by)) : text);
}
