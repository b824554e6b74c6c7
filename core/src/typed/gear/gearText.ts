import { didYouMean, nearestNames } from '../../text/nearestName';
import type { GearKind } from './gearKinds';
import { GEAR_KINDS } from './gearKinds';
import type { GearSize } from './gearSizes';
import { readSizes } from './gearSizes';
import type { WiredOn } from './wiredOn';
import { readWiredOn } from './wiredOn';

/** Devices as they were typed: so many of a kind, where they stand, and what they are wired to. */
export interface GearEntry {
  /** The line of the text it stands on, from 1. */
  readonly line: number;
  readonly text: string;
  readonly count: number;
  readonly type: string;
  readonly name: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly room?: string;
  readonly rack?: string;
  /** "on interface 3-4": the device it is wired to, and the numbers there. */
  readonly on?: WiredOn;
}

/** What is not understood, and what would be. */
export interface GearProblem {
  readonly line: number;
  readonly text: string;
  readonly sentence: string;
}

export interface GearReading {
  readonly entries: readonly GearEntry[];
  readonly problems: readonly GearProblem[];
}

const NUMBERS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6 },
  ...{ seven: 7, eight: 8, nine: 9, ten: 10, twelve: 12 },
};
const MOST_AT_ONCE = 100;

/** Where one device ends and the next begins: a line, a comma, "and" before a number or an article. */
const BETWEEN = /[,;](?=(?:[^"]*"[^"]*")*[^"]*$)|\s+and\s+(?=\d+\s|an?\s|one\s|two\s|three\s|four\s)/i;
/** "Rack left:", "Kiln:" alone on a line says where what follows stands. */
const PLACE = /^\s*(rack\s+)?([^:"]+):\s*$/i;
const QUOTED = /"([^"]+)"|“([^”]+)”/;
const ON = /\s+on\s+((?:the\s+)?.+?\s+\d+(?:\s*[-–]\s*\d+)?)\s*$/i;

/** Words are looked for in the singular. */
const singular = (word: string): string => word.replace(/ies$/, 'y').replace(/([^s])s$/, '$1');
const plain = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();

const wordsOf = ({ name, words }: GearKind): readonly string[] => [plain(name), ...words];
const ALL_WORDS: readonly string[] = GEAR_KINDS.flatMap(wordsOf);

const kindOf = (text: string): GearKind | undefined => {
  const tries = [plain(text), singular(plain(text))];
  return GEAR_KINDS.find((kind) => wordsOf(kind).some((word) => tries.includes(word)));
};

/** A number before a size is no count. */
const COUNT =
  /^(\d+)\s*(?:[x×]\s+|\s)(?!(?:(?:mic|line)[- ])?(?:input|output|in|out)s?\b|(?:channel|way|point|column|jack|loop|fader)s?\b|(?:tie[- ])?lines?\b(?!\s*(?:panel|transformer)))/i;

/** "4 condensers", "a preamp", "2x condenser"; a number that is a size is none: "8-channel preamp". */
function readCount(text: string): { readonly count: number; readonly rest: string } {
  const match = COUNT.exec(text);
  if (match !== null) return { count: Number(match[1]), rest: text.slice(match[0].length) };
  const [word = '', ...others] = text.split(/\s+/);
  const count = NUMBERS[word.toLowerCase()];
  return count === undefined || others.length === 0
    ? { count: 1, rest: text }
    : { count, rest: others.join(' ') };
}

interface Standing {
  readonly room?: string;
  readonly rack?: string;
}

type EntryReading = GearEntry | { readonly sentence: string };

function unknown(rest: string): { readonly sentence: string } {
  if (/^(mic|microphone)s?$/i.test(rest))
    return { sentence: 'Say which kind of microphone: condenser, dynamic or ribbon.' };
  const near = nearestNames(singular(plain(rest)), ALL_WORDS);
  const offer =
    near.length > 0 ? didYouMean(near) : ' For example: condenser, preamp, bay, compressor, interface.';
  return { sentence: rest === '' ? `Say what it is.${offer}` : `“${rest}” is no kind of device.${offer}` };
}

/** A size that means nothing for the kind. */
function strayOf(kind: GearKind, typed: Readonly<Partial<Record<GearSize, string>>>): string | undefined {
  const known = new Set<GearSize>(kind.sizes ?? []);
  const stray = (Object.keys(typed) as GearSize[]).find((size) => !known.has(size));
  // Stereo and mono go with many kinds of which they change nothing.
  return stray === undefined || /^(stereo|mono)$/i.test(typed[stray] ?? '') ? undefined : typed[stray];
}

function readEntry(text: string, line: number, standing: Standing): EntryReading {
  const quoted = QUOTED.exec(text);
  const unquoted = text.replace(QUOTED, ' ').trim();
  const on = readWiredOn(ON.exec(unquoted)?.[1] ?? '');
  const { count, rest: counted } = readCount(unquoted.replace(ON, '').trim());
  const { sizes, typed, rest } = readSizes(counted);
  const kind = kindOf(rest);
  if (kind === undefined) return unknown(rest);
  if (count < 1 || count > MOST_AT_ONCE)
    return { sentence: `From 1 to ${String(MOST_AT_ONCE)} devices at once; “${String(count)}” is not.` };
  const stray = strayOf(kind, typed);
  if (stray !== undefined)
    return {
      sentence: `“${stray}” says nothing about a ${kind.name.toLowerCase()}. Leave it out, or name another device.`,
    };
  return {
    ...{ line, text, count, type: kind.type, name: quoted?.[1] ?? quoted?.[2] ?? kind.name },
    params: { ...kind.params, ...kind.sized?.(sizes) },
    ...standing,
    ...(on !== undefined && { on }),
  };
}

/** The devices of a line. What says only how large something is belongs to what stands before it. */
function partsOf(row: string): readonly string[] {
  const parts: string[] = [];
  for (const part of row.split(BETWEEN).map((each) => each.trim())) {
    const last = parts.at(-1);
    if (part === '') continue;
    if (last !== undefined && readSizes(part).rest === '') parts.splice(-1, 1, `${last} ${part}`);
    else parts.push(part);
  }
  return parts;
}

/**
 * Reads devices as somebody would write them down: "4 condensers, an 8-channel preamp, 48-point bay half-normalled".
 * A line that ends with a colon is the room, or with "rack" before it the rack, of what follows. Every entry that is
 * not understood is told with its line.
 */
export function readGear(text: string): GearReading {
  const entries: GearEntry[] = [];
  const problems: GearProblem[] = [];
  let standing: Standing = {};
  text.split(/\r?\n/).forEach((row, at) => {
    const place = PLACE.exec(row);
    if (place !== null) {
      const name = (place[2] ?? '').trim();
      standing = place[1] === undefined ? { room: name } : { ...standing, rack: name };
      return;
    }
    for (const part of partsOf(row)) {
      const read = readEntry(part, at + 1, standing);
      if ('sentence' in read) problems.push({ line: at + 1, text: part, sentence: read.sentence });
      else entries.push(read);
    }
  });
  return { entries, problems };
}
