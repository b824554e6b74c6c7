/** Numbers and words that say how large a device is, as they are typed: "8-channel", "24×24", "half-normalled". */
export interface GearSizes {
  readonly channels?: number;
  readonly points?: number;
  readonly columns?: number;
  readonly ins?: number;
  readonly outs?: number;
  readonly mics?: number;
  readonly lines?: number;
  readonly normalling?: 'full' | 'half' | 'none' | 'parallel';
  readonly connector?: 'tt' | 'trs' | 'xlr' | 'db25';
}
export type GearSize = keyof GearSizes;

/** A size with the words it was typed in. */
export interface TypedSizes {
  readonly sizes: GearSizes;
  readonly typed: Readonly<Partial<Record<GearSize, string>>>;
  /** What is left: the kind of the device. */
  readonly rest: string;
}

type Reader = readonly [pattern: RegExp, read: (match: RegExpMatchArray) => GearSizes];

const CONNECTORS = { tt: 'tt', trs: 'trs', xlr: 'xlr', 'db-25': 'db25', db25: 'db25' } as const;
const first = (match: RegExpMatchArray): number => Number(match[1]);

/** In the order in which they are looked for: the longer words first. */
const READERS: readonly Reader[] = [
  [/\b(\d+)\s*[x×]\s*(\d+)\b/i, (match) => ({ ins: first(match), outs: Number(match[2]) })],
  [/\b(\d+)[- ]mic(?:rophone)?[- ](?:inputs?|ins?|pre ?amps?)\b/i, (match) => ({ mics: first(match) })],
  [/\b(\d+)[- ](?:line[- ])?(?:inputs?|ins?)\b/i, (match) => ({ ins: first(match) })],
  [/\b(\d+)[- ](?:line[- ])?(?:outputs?|outs?)\b/i, (match) => ({ outs: first(match) })],
  [/\b(\d+)[- ](?:channels?|ch|ways?|loops?|faders?)\b/i, (match) => ({ channels: first(match) })],
  [/\b(\d+)[- ](?:points?|jacks?)\b/i, (match) => ({ points: first(match) })],
  [/\b(\d+)[- ]columns?\b/i, (match) => ({ columns: first(match) })],
  [/\b(\d+)[- ](?:tie[- ])?lines?\b(?!\s*(?:panel|transformer))/i, (match) => ({ lines: first(match) })],
  [/\bstereo\b/i, () => ({ channels: 2 })],
  [/\bmono\b/i, () => ({ channels: 1 })],
  [
    /\b(half|full|fully|non|un|de)[- ]?normall?(?:ed|ing)?\b/i,
    (match) => ({ normalling: normallingOf(match[1]) }),
  ],
  [/\bparallel\b/i, () => ({ normalling: 'parallel' })],
  [
    /\b(tt|trs|xlr|db-?25)\b/i,
    (match) => ({ connector: CONNECTORS[match[1]?.toLowerCase() as keyof typeof CONNECTORS] }),
  ],
];

function normallingOf(word = ''): 'full' | 'half' | 'none' {
  const plain = word.toLowerCase();
  if (plain === 'half') return 'half';
  return plain.startsWith('full') ? 'full' : 'none';
}

/** Words that only hold others together: "interface with 4 mic inputs and 2 outputs". */
const BETWEEN = /\b(with|and|of|the|for|has|having)\b/gi;

/** Takes the sizes out of a text. */
export function readSizes(text: string): TypedSizes {
  let rest = text;
  let sizes: GearSizes = {};
  const typed: Partial<Record<GearSize, string>> = {};
  for (const [pattern, read] of READERS) {
    const match = pattern.exec(rest);
    if (match === null) continue;
    const found = read(match);
    // What was said with a number stands: a stereo 4-channel unit has four channels.
    sizes = { ...found, ...sizes };
    for (const key of Object.keys(found) as GearSize[]) typed[key] ??= match[0];
    rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`;
  }
  return {
    sizes,
    typed,
    rest: rest
      .replace(BETWEEN, ' ')
      .replace(/[\s,]+/g, ' ')
      .trim(),
  };
}
