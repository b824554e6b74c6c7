import type { KnobRef } from '../deviceModel';
import type { Crossbar } from '../catalogue/digital/crossbar';
import type { ChannelCell, KnobCell, PatchCell, SendCell, SetCell } from './channelSheet';

export const knobRef = (setting: string, channel = 1): KnobRef => ({ setting, channel });

export const knob = (setting: string, channel = 1): KnobCell => ({
  kind: 'knob',
  knob: knobRef(setting, channel),
});

/** The cells of the amplifier of an input. @param phantom whether it has 48 V. */
export const preampCells = (channel: number, phantom: boolean): Readonly<Record<string, ChannelCell>> => ({
  gain: knob('gainDb', channel),
  pad: knob('pad', channel),
  ...(phantom && { phantom: knob('phantom', channel) }),
  invert: knob('invert', channel),
});

const PRE_POST = [
  { word: 'pre', position: 1 },
  { word: 'post', position: 2 },
] as const;

/** A send with a tap before and after the fader, or others. */
export const send = (
  from: KnobRef,
  level: KnobRef,
  more: Partial<Pick<SendCell, 'pan' | 'pair' | 'taps'>> = {},
): SendCell => ({ kind: 'send', from, level, taps: PRE_POST, ...more });

/** A send that is on or off, and no more. */
export const plainSend = (from: KnobRef, level: KnobRef): SendCell => send(from, level, { taps: [] });

export const counted = (one: string, of: readonly KnobRef[]): SetCell => ({ kind: 'set', one, of });

/** What destination `n` of a matrix, from 1, listens to. */
export function patch({ setting, sources, block }: Crossbar, n: number): PatchCell {
  return {
    kind: 'patch',
    knob: knobRef(setting, Math.ceil(n / block)),
    sources: namesOf(sources),
    block,
    at: (n - 1) % block,
  };
}

type Sources = Crossbar['sources'];

/** A sheet has a cell for every destination, and they all have the sources in common. */
const known = new WeakMap<Sources, readonly string[]>();

function namesOf(sources: Sources): readonly string[] {
  const names = known.get(sources) ?? sources.map(({ name }) => name);
  known.set(sources, names);
  return names;
}

/** Cells by a prefix and a number: "aux1", "aux2". */
export const each = (
  prefix: string,
  numbers: readonly number[],
  cell: (n: number) => ChannelCell,
): Readonly<Record<string, ChannelCell>> =>
  Object.fromEntries(numbers.map((n) => [`${prefix}${n}`, cell(n)]));
