import type { LaneId } from '../../rig/ids';
import { numberRange } from '../../text/numberRange';
import type { Device } from '../../rig/rigSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { LaneRow } from '../../rig/wiring/laneRows';
import { laneRows, numberOfLetter, rowName } from '../../rig/wiring/laneRows';

/** Why a typed row is not understood. Data; `rowProblemSentence` makes the words. */
export type RowProblem =
  | { readonly code: 'no-device'; readonly text: string; readonly nearest: readonly string[] }
  | {
      readonly code: 'no-row';
      readonly device: string;
      readonly text: string;
      readonly rows: readonly string[];
    }
  | { readonly code: 'several-rows'; readonly device: string; readonly rows: readonly string[] }
  | { readonly code: 'bad-range'; readonly part: string }
  | {
      readonly code: 'no-number';
      readonly row: string;
      readonly number: number;
      readonly first: number;
      readonly last: number;
    };

/** Lanes a person typed: "Bay A 1-24 lower". */
export type RowReading =
  | {
      readonly ok: true;
      readonly row: LaneRow;
      readonly lanes: readonly LaneId[];
      /** False where no numbers were typed, so that the whole row is meant, or as much of it as is needed. */
      readonly numbered: boolean;
    }
  | { readonly ok: false; readonly problem: RowProblem };

const refuse = (problem: RowProblem): RowReading => ({ ok: false, problem });
const words = (text: string): readonly string[] =>
  text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '');

/** The device whose name stands at the start of the text; of several the one with the longest name. */
function deviceIn(devices: readonly Device[], text: string): Device | undefined {
  const plain = text.toLowerCase();
  return devices
    .filter(({ name }) => plain === name.toLowerCase() || plain.startsWith(`${name.toLowerCase()} `))
    .sort((a, b) => b.name.length - a.name.length)[0];
}

const RANGE =
  /\d+(?:\s*[-–]\s*\d+(?:\s*(?:\/|step)\s*\d+)?)?(?:\s*[,;]\s*\d+(?:\s*[-–]\s*\d+(?:\s*(?:\/|step)\s*\d+)?)?)*/gi;
const DB25 = /\bdb-?25\s+(\d+)/i;

const LETTERS = /(?:^|\s)([A-P])(?:\s*[-–]\s*([A-P]))?$/i;

/** "key in A-B" as "key in 1-2": letters are what two-channel units count by. */
function withNumbers(text: string, rows: readonly LaneRow[]): string {
  if (!rows.some(({ lettered }) => lettered)) return text;
  return text.replace(LETTERS, (_all, first: string, last?: string) => {
    const range = last === undefined ? '' : `-${numberOfLetter(last)}`;
    return ` ${numberOfLetter(first)}${range}`;
  });
}

/** Numbers in the text are tried as the range first from the end, since row names may hold numbers too. */
function splitRange(text: string): readonly { readonly range?: string; readonly rest: string }[] {
  const ranges = [...text.matchAll(RANGE)].reverse();
  const cut = ranges.map((match) => ({
    range: match[0],
    rest: `${text.slice(0, match.index)} ${text.slice(match.index + match[0].length)}`.trim(),
  }));
  return [...cut, { rest: text }];
}

/** The words by which rows are told apart: which face is meant is often left out. */
const telling = (all: readonly string[]): number => all.filter((word) => word !== 'rear').length;

/**
 * Rows that have all the words; of several those that have no others ("out" is not "madi out"), then the rear ones,
 * where wires go, and those that carry sound.
 */
function rowsWith(rows: readonly LaneRow[], typed: string): readonly LaneRow[] {
  const wanted = words(typed);
  const matching = rows.filter(({ name }) => {
    const own = words(name);
    return wanted.every((word) => own.includes(word));
  });
  const exact =
    wanted.length === 0
      ? matching
      : preferring(matching, ({ name }) => telling(words(name)) === telling(wanted));
  return preferring(
    preferring(exact, ({ face }) => face === 'rear'),
    ({ medium }) => medium !== 'clock' && medium !== 'timecode',
  );
}

/** The rows that are likelier meant, or all where none is. */
function preferring(rows: readonly LaneRow[], isLikely: (row: LaneRow) => boolean): readonly LaneRow[] {
  const likely = rows.filter(isLikely);
  return likely.length > 0 ? likely : rows;
}

function lanesAt(row: LaneRow, range: string | undefined): RowReading {
  const all = row.lanes.map(({ lane }) => lane);
  if (range === undefined) return { ok: true, row, lanes: all, numbered: false };
  const read = numberRange(range);
  if (!read.ok) return refuse({ code: 'bad-range', part: read.part });
  const byNumber = new Map(row.lanes.map(({ number, lane }) => [number, lane]));
  const missing = read.numbers.find((number) => !byNumber.has(number));
  if (missing !== undefined) {
    const [first = 1, last = 1] = [row.lanes[0]?.number, row.lanes.at(-1)?.number];
    return refuse({ code: 'no-number', row: rowName(row), number: missing, first, last });
  }
  return {
    ok: true,
    row,
    lanes: read.numbers.flatMap((number) => byNumber.get(number) ?? []),
    numbered: true,
  };
}

/** "DB-25 2": the lanes of the second such connector of a row. */
function lanesOfConnector(rows: readonly LaneRow[], text: string): RowReading | undefined {
  const match = DB25.exec(text);
  if (match === null) return undefined;
  const wanted = Number(match[1]);
  const row = rowsWith(rows, text.replace(DB25, ' ')).find(({ connector }) => connector === 'db25');
  const lanes = row?.lanes.filter(({ connectorNumber }) => connectorNumber === wanted) ?? [];
  if (row === undefined || lanes.length === 0) return undefined;
  return { ok: true, row, lanes: lanes.map(({ lane }) => lane), numbered: true };
}

/**
 * Understands lanes typed as device, row and numbers in any order after the device: "Bay A 1-24 lower",
 * "Converter line in 9-16", "Converter DB-25 2 in". A row whose words are left out is the only one of
 * its direction. Rear faces are meant where a row has both.
 */
export function readRow(devices: readonly Device[], text: string, direction: 'in' | 'out'): RowReading {
  const device = deviceIn(devices, text.trim());
  if (device === undefined)
    return refuse({
      code: 'no-device',
      text: text.trim(),
      nearest: nearestNames(
        text.replace(RANGE, ' '),
        devices.map(({ name }) => name),
      ),
    });
  const rows = laneRows(device).filter((row) => row.direction === direction);
  const rest = withNumbers(text.trim().slice(device.name.length).trim(), rows).trim();
  const connector = lanesOfConnector(rows, rest);
  if (connector !== undefined) return connector;
  for (const { range, rest: typed } of splitRange(rest)) {
    const matching = rowsWith(rows, typed);
    const [row] = matching;
    if (row === undefined) continue;
    if (matching.length > 1)
      return refuse({ code: 'several-rows', device: device.name, rows: matching.map(({ name }) => name) });
    return lanesAt(row, range);
  }
  return refuse({ code: 'no-row', device: device.name, text: rest, rows: rows.map(({ name }) => name) });
}

const list = (names: readonly string[]): string => names.map((name) => `“${name}”`).join(', ');

/** What is not understood, and what would be. */
export function rowProblemSentence(problem: RowProblem): string {
  switch (problem.code) {
    case 'no-device':
      return problem.text === ''
        ? 'Type a device, then its connectors and numbers: Bay A lower 1-24.'
        : `No device is called what “${problem.text}” begins with.${didYouMean(problem.nearest)}`;
    case 'no-row':
      return `${problem.device} has no connectors “${problem.text}” in this direction.${problem.rows.length > 0 ? ` It has ${list(problem.rows)}.` : ''}`;
    case 'several-rows':
      return `${problem.device} has several such connectors: ${list(problem.rows)}. Say which.`;
    case 'bad-range':
      return `“${problem.part}” is not a range of numbers; write 1-24, or 1-23/2 for odd ones.`;
    case 'no-number':
      return `${problem.row} has no number ${problem.number}: it goes from ${problem.first} to ${problem.last}.`;
  }
}
