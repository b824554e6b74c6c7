import type { SendCell } from '../../rig/sheets/channelSheet';
import type { SettingValue } from '../../rig/settings';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { typedNumber } from '../../text/typedNumber';
import { formatNumber } from '../../units/format';
import type { CellKind, Knobs, Turn } from './cellKind';
import { readFigure } from './figureText';
import { NO_KNOB } from './knobCell';
import { panText, readPan } from './panText';

const OFF = 'off';
/** A send that leaves the other path of the same strip. */
const ELSEWHERE = 'other path';

/** Whether the cell is the right side of a stereo pair, which the left one leads. */
export const isLed = ({ pair }: SendCell, knobs: Knobs): boolean =>
  pair?.side === 'right' && knobs.value(pair.knob) === true;

const hasPan = ({ pan, pair }: SendCell, knobs: Knobs): boolean =>
  pan !== undefined && (pair === undefined || knobs.value(pair.knob) === true);

function text(cell: SendCell, knobs: Knobs): string {
  if (isLed(cell, knobs)) return `with ${String(cell.pair?.number ?? '')}`;
  const from = knobs.value(cell.from);
  if (from === false || from === 0) return OFF;
  const tap = cell.taps.find(({ position }) => position === from);
  if (from !== true && tap === undefined) return ELSEWHERE;
  const level = formatNumber(Number(knobs.value(cell.level)));
  const pan = cell.pan !== undefined && hasPan(cell, knobs) ? Number(knobs.value(cell.pan)) : 0;
  return [level, tap?.word ?? '', pan === 0 ? '' : panText(pan)].filter((part) => part !== '').join(' ');
}

/** What was typed for a send, word by word. */
interface Typed {
  readonly tap?: number;
  readonly level?: string;
  readonly pan?: number;
}

function readWord(cell: SendCell, word: string, knobs: Knobs): CellReading<Typed> {
  const tap = cell.taps.find((each) => each.word.startsWith(word.toLowerCase()));
  if (tap !== undefined) return value({ tap: tap.position });
  if (typedNumber(word) !== undefined || /^[-−]\s*(∞|inf)$/i.test(word)) return value({ level: word });
  const pan = readPan(word);
  if (pan !== undefined && cell.pan !== undefined)
    return hasPan(cell, knobs)
      ? value({ pan })
      : refuse('This aux is mono. Make the two a pair in their rows first, then the send has a pan.');
  const words = cell.taps.map((each) => each.word).join(' or ');
  return refuse(
    `“${word}” says nothing about a send. Type a level${words === '' ? '' : `, then ${words}`}, or off.`,
  );
}

/** Where a send leaves when only its level was typed: where it leaves now, else at its last tap, which is after the fader. */
function tapFor({ from, taps }: SendCell, typed: Typed, knobs: Knobs): SettingValue {
  if (taps.length === 0) return true;
  const now = knobs.value(from);
  const kept = taps.some(({ position }) => position === now) ? now : undefined;
  return typed.tap ?? kept ?? taps.at(-1)?.position ?? 1;
}

function turnsOf(cell: SendCell, typed: Typed, knobs: Knobs): CellReading<readonly Turn[]> {
  const spec = knobs.spec(cell.level);
  if (spec === undefined) return NO_KNOB;
  const level = typed.level === undefined ? undefined : readFigure(spec, typed.level);
  if (level?.ok === false) return level;
  const turns: readonly Turn[] = [
    { knob: cell.from, value: tapFor(cell, typed, knobs) },
    ...(level === undefined ? [] : [{ knob: cell.level, value: level.value }]),
    // A send as written has its pan in the centre unless it says otherwise.
    ...(cell.pan !== undefined && hasPan(cell, knobs) ? [{ knob: cell.pan, value: typed.pan ?? 0 }] : []),
  ];
  return value(turns.filter((turn) => knobs.value(turn.knob) !== turn.value));
}

function ended(cell: SendCell, knobs: Knobs): readonly Turn[] {
  const now = text(cell, knobs);
  if (now === OFF || now === ELSEWHERE) return [];
  return [{ knob: cell.from, value: cell.taps.length === 0 ? false : 0 }];
}

function readSend(cell: SendCell, typed: string, knobs: Knobs): CellReading<readonly Turn[]> {
  let all: Typed = {};
  for (const word of typed.split(/\s+/)) {
    const read = readWord(cell, word, knobs);
    if (!read.ok) return read;
    all = { ...all, ...read.value };
  }
  return turnsOf(cell, all, knobs);
}

export const sendCell: CellKind<SendCell> = {
  text,
  read(cell, typed, knobs) {
    const plain = typed.trim();
    if (plain === text(cell, knobs) || plain === ELSEWHERE) return value([]);
    if (isLed(cell, knobs) || /^with \d+$/.test(plain))
      return isLed(cell, knobs)
        ? refuse(`This is the right side of a pair; it goes with ${String(cell.pair?.number ?? '')}.`)
        : refuse('The two auxes are no pair here. Type a level, or off.');
    if (plain === '')
      return value(
        text(cell, knobs) === ELSEWHERE ? [] : sendCell.knobs(cell).map((knob) => ({ knob, value: null })),
      );
    return plain.toLowerCase() === OFF ? value(ended(cell, knobs)) : readSend(cell, plain, knobs);
  },
  knobs: ({ from, level, pan }) => (pan === undefined ? [from, level] : [from, level, pan]),
};
