import type { PatchCell } from '../../rig/sheets/channelSheet';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import type { CellKind } from './cellKind';
import { readName } from './namedText';

export const NOTHING = 'none';

/** The source a destination listens to, by its place from 0; undefined for none. */
export function sourceAt({ block, at, sources }: PatchCell, position: number): number | undefined {
  const place = (position - 1) * block + at;
  return position === 0 || place >= sources.length ? undefined : place;
}

/** The sources a destination of a coarse patch can have at all. */
const possible = ({ sources, block, at }: PatchCell): readonly string[] =>
  sources.filter((_, place) => place % block === at);

/**
 * Whether a destination can have a source, by its place. A coarse patch moves whole blocks, lane by lane: what stands
 * third in its block can have but the third of another.
 * @returns the position of the knob.
 */
export function positionFor(cell: PatchCell, place: number): CellReading<number> {
  const { sources, block, at } = cell;
  const name = sources[place];
  if (name === undefined) return refuse('There is no such source.');
  // Banks are filled up to whole blocks with their last source, so a name may stand more than once.
  const fits = sources.findIndex((other, i) => other === name && i % block === at);
  if (fits >= 0) return value(Math.floor(fits / block) + 1);
  const offered = possible(cell).slice(0, 3).join(', ');
  return refuse(
    `This patch moves ${String(block)} at a time, lane by lane: “${name}” cannot be had here alone. It can have ${offered}, …`,
  );
}

/** Which source is meant by a text, from 0; −1 for none. */
export function readSource(cell: PatchCell, text: string): CellReading<number> {
  if (text.trim().toLowerCase() === NOTHING) return value(-1);
  return readName('what can be listened to here', cell.sources, text);
}

export const patchCell: CellKind<PatchCell> = {
  text(cell, knobs) {
    const place = sourceAt(cell, Number(knobs.value(cell.knob)));
    return place === undefined ? NOTHING : (cell.sources[place] ?? NOTHING);
  },
  read(cell, text, knobs) {
    const { knob } = cell;
    if (text.trim() === '') return value([{ knob, value: null }]);
    const source = readSource(cell, text);
    if (!source.ok) return source;
    const position = source.value < 0 ? value(0) : positionFor(cell, source.value);
    if (!position.ok) return position;
    return value(position.value === knobs.value(knob) ? [] : [{ knob, value: position.value }]);
  },
  knobs: ({ knob }) => [knob],
};
