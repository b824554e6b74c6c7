import type { BusId } from '../../rig/ids';
import { nearestNames } from '../../wiring/nearestName';
import type { Bus, Destination, Send, Slot, Track } from './trackSchema';
import { MOST_SLOTS } from './trackSchema';

/** A cell of the track sheet as typed: its value, or what is wrong with it. */
export type CellReading<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly sentence: string };

const value = <T>(it: T): CellReading<T> => ({ ok: true, value: it });
const refuse = (sentence: string): { readonly ok: false; readonly sentence: string } => ({
  ok: false,
  sentence,
});

/** Decimal commas and the typographic minus are what people type. */
const numberOf = (text: string): number =>
  text.trim() === '' ? NaN : Number(text.trim().replace('−', '-').replace(',', '.'));

const decibels = (db: number): string => String(db).replace('-', '−');
const signed = (db: number): string => (db > 0 ? `+${String(db)}` : decibels(db));

function busNamed(buses: readonly Bus[], name: string): CellReading<BusId> {
  const found = buses.find((bus) => bus.name.toLowerCase() === name.trim().toLowerCase());
  if (found !== undefined) return value(found.id);
  const near = nearestNames(
    name,
    buses.map((bus) => bus.name),
  ).map((each) => `“${each}”`);
  const hint = near.length > 0 ? `Did you mean ${near.join(', ')}?` : 'Add it to the buses first.';
  return refuse(`There is no bus “${name.trim()}”. ${hint}`);
}

const busName = (buses: readonly Bus[], id: BusId): string => buses.find((bus) => bus.id === id)?.name ?? id;

/** "3" or "3-4": host inputs or outputs, as many as the track is wide. */
function hostFirst(text: string, width: number): CellReading<number> | undefined {
  const match = /^(?:(?:in|out)\s+)?(\d+)(?:\s*[-–]\s*(\d+))?$/i.exec(text.trim());
  if (match === null) return undefined;
  const first = Number(match[1]);
  if (first < 1) return refuse('Host inputs and outputs are counted from 1.');
  const last = match[2] === undefined ? first + width - 1 : Number(match[2]);
  return last - first + 1 === width
    ? value(first)
    : refuse(
        `The track is ${String(width)} wide, but ${String(first)}–${String(last)} is not. Write the first number alone.`,
      );
}

const hostText = (first: number, width: number): string =>
  width === 1 ? String(first) : `${String(first)}–${String(first + width - 1)}`;

const BUS = /^bus\s+(.+)$/i;

function readDestination(text: string, width: number, buses: readonly Bus[]): CellReading<Destination> {
  const host = hostFirst(text, width);
  if (host !== undefined) return host.ok ? value({ to: 'host', first: host.value }) : host;
  const bus = busNamed(buses, BUS.exec(text.trim())?.[1] ?? text);
  return bus.ok ? value({ to: 'bus', bus: bus.value }) : bus;
}

const destinationText = (destination: Destination, width: number, buses: readonly Bus[]): string =>
  destination.to === 'host' ? hostText(destination.first, width) : `bus ${busName(buses, destination.bus)}`;

/** All of a list, or the first refusal. */
function all<T>(readings: readonly CellReading<T>[]): CellReading<T[]> {
  const values: T[] = [];
  for (const reading of readings) {
    if (!reading.ok) return reading;
    values.push(reading.value);
  }
  return value(values);
}

const parts = (text: string, separator: RegExp): readonly string[] =>
  text
    .split(separator)
    .map((part) => part.trim())
    .filter((part) => part !== '');

/** Host inputs ("5", "5-6"), a bus ("bus Music"), or nothing. */
export function readInput(
  text: string,
  track: Pick<Track, 'width'>,
  buses: readonly Bus[],
): CellReading<Track['input']> {
  if (text.trim() === '' || text.trim() === '–') return value({ from: 'none' });
  const read = readDestination(text, track.width, buses);
  if (!read.ok) return read;
  return value(
    read.value.to === 'host'
      ? { from: 'host', first: read.value.first }
      : { from: 'bus', bus: read.value.bus },
  );
}

export function inputText({ input, width }: Pick<Track, 'input' | 'width'>, buses: readonly Bus[]): string {
  switch (input.from) {
    case 'none':
      return '';
    case 'host':
      return hostText(input.first, width);
    case 'bus':
      return `bus ${busName(buses, input.bus)}`;
  }
}

/** Several destinations at once: "1-2 + bus Stems". Host outputs are as many as the track is wide. */
export function readOutputs(
  text: string,
  track: Pick<Track, 'width'>,
  buses: readonly Bus[],
): CellReading<Destination[]> {
  return all(parts(text, /[+;]/).map((part) => readDestination(part, track.width, buses)));
}

export const outputsText = (
  { outputs, width }: Pick<Track, 'outputs' | 'width'>,
  buses: readonly Bus[],
): string => outputs.map((output) => destinationText(output, width, buses)).join(' + ');

const SEND =
  /^(?:(pre|post)\s+)?(.+?)(?:\s+(pre|post))?(?:\s+([-+−]?\d+(?:[.,]\d+)?)(?:\s*dB)?)?(?:\s+(pre|post))?(?:\s+pan\s+([-+−]?\d+))?$/i;

function readSend(text: string, width: number, buses: readonly Bus[]): CellReading<Send> {
  const match = SEND.exec(text);
  const target = match?.[2];
  if (match === null || target === undefined)
    return refuse(`“${text}” is not a send; write bus Plate −6 pre, or 3-4 −10.`);
  const destination = readDestination(target, width, buses);
  if (!destination.ok) return destination;
  const when = (match[1] ?? match[3] ?? match[5] ?? 'post').toLowerCase();
  return value({
    destination: destination.value,
    preFader: when === 'pre',
    levelDb: match[4] === undefined ? 0 : numberOf(match[4]),
    pan: match[6] === undefined ? 0 : numberOf(match[6]),
  });
}

/** Sends, one after another: "bus Plate −6 pre; 3-4 −10". */
export const readSends = (
  text: string,
  track: Pick<Track, 'width'>,
  buses: readonly Bus[],
): CellReading<Send[]> => all(parts(text, /;/).map((part) => readSend(part, track.width, buses)));

export const sendsText = ({ sends, width }: Pick<Track, 'sends' | 'width'>, buses: readonly Bus[]): string =>
  sends
    .map(({ destination, preFader, levelDb, pan }) =>
      [
        destinationText(destination, width, buses),
        levelDb === 0 ? '0' : decibels(levelDb),
        preFader ? 'pre' : '',
        pan === 0 ? '' : `pan ${decibels(pan)}`,
      ]
        .filter((part) => part !== '')
        .join(' '),
    )
    .join('; ');

const HARDWARE =
  /^(?:hw|hardware)\s+(\d+)(?:\s*[-–]\s*\d+)?(?:\s*\/\s*(\d+)(?:\s*[-–]\s*\d+)?)?(?:\s+trim\s+([-+−]?[\d.,]+)\s*\/\s*([-+−]?[\d.,]+))?(?:\s*@\s*(\d+))?$/i;
const PLUGIN = /^(.+?)(?:\s*@\s*(\d+))?(?:\s+key\s+(.+))?$/i;

function readSlot(text: string, buses: readonly Bus[]): CellReading<Slot> {
  const hardware = HARDWARE.exec(text);
  if (hardware !== null) {
    const [, send = '', back, sendTrim, returnTrim, delay] = hardware;
    return value({
      kind: 'hardware',
      send: Number(send),
      return: Number(back ?? send),
      sendTrimDb: sendTrim === undefined ? 0 : numberOf(sendTrim),
      returnTrimDb: returnTrim === undefined ? 0 : numberOf(returnTrim),
      ...(delay !== undefined && { delaySamples: Number(delay) }),
    });
  }
  if (/^(hw|hardware)\b/i.test(text))
    return refuse(`“${text}” is not a hardware insert; write hw 5, or hw 5/6 @31 with its delay in samples.`);
  const [, name = text, delay, key] = PLUGIN.exec(text) ?? [];
  const bus = key === undefined ? undefined : busNamed(buses, key);
  if (bus?.ok === false) return bus;
  return value({
    kind: 'plugin',
    name: name.trim(),
    delaySamples: delay === undefined ? 0 : Number(delay),
    ...(bus && { key: bus.value }),
  });
}

/**
 * Insert slots in their order: "De-esser @64; 3 hw 5/6; Ducker key Narration". A number in front puts
 * one into that slot; `@` is the delay in samples.
 */
export function readInserts(text: string, buses: readonly Bus[]): CellReading<Track['inserts']> {
  const slots: (Slot | null)[] = [];
  for (const part of parts(text, /;/)) {
    const numbered = /^(\d{1,2})[.:]?\s+(.+)$/.exec(part);
    const at = numbered === null ? slots.length : Number(numbered[1]) - 1;
    if (at < 0 || at >= MOST_SLOTS) return refuse(`There is no slot ${String(at + 1)}: a track has ten.`);
    if (slots[at] != null)
      return refuse(`Slot ${String(at + 1)} is filled twice. Give one of the two another number.`);
    const slot = readSlot(numbered?.[2] ?? part, buses);
    if (!slot.ok) return slot;
    while (slots.length < at) slots.push(null);
    slots[at] = slot.value;
  }
  return value(slots);
}

function slotText(slot: Slot, buses: readonly Bus[]): string {
  if (slot.kind === 'plugin') {
    const delay = slot.delaySamples === 0 ? '' : ` @${String(slot.delaySamples)}`;
    return `${slot.name}${delay}${slot.key === undefined ? '' : ` key ${busName(buses, slot.key)}`}`;
  }
  const pair = slot.return === slot.send ? String(slot.send) : `${String(slot.send)}/${String(slot.return)}`;
  const trims =
    slot.sendTrimDb === 0 && slot.returnTrimDb === 0
      ? ''
      : ` trim ${signed(slot.sendTrimDb)}/${signed(slot.returnTrimDb)}`;
  return `hw ${pair}${trims}${slot.delaySamples === undefined ? '' : ` @${String(slot.delaySamples)}`}`;
}

export function insertsText({ inserts }: Pick<Track, 'inserts'>, buses: readonly Bus[]): string {
  let next = 0;
  return inserts
    .flatMap((slot, i) => {
      if (slot === null) return [];
      const text = `${i === next ? '' : `${String(i + 1)} `}${slotText(slot, buses)}`;
      next = i + 1;
      return [text];
    })
    .join('; ');
}

/** A level: "−6", "-6 dB", "off" for silence. */
export function readLevel(text: string): CellReading<number> {
  const bare = text.trim().replace(/\s*dB$/i, '');
  if (/^(off|-inf|−∞|-∞)$/i.test(bare)) return value(-144);
  const db = numberOf(bare);
  if (!Number.isFinite(db)) return refuse(`“${text}” is not a level in dB; write −6, or off.`);
  return db < -144 || db > 24 ? refuse('A fader goes from off to +24 dB.') : value(db);
}

export const levelText = (db: number): string => (db <= -144 ? 'off' : decibels(db));

/** A pan position: "L30", "R100", "C" or a number from −100 to 100. */
export function readPan(text: string): CellReading<number> {
  const bare = text.trim();
  if (bare === '' || /^c$/i.test(bare)) return value(0);
  const side = /^([LR])\s*(\d+)$/i.exec(bare);
  const position =
    side === null ? numberOf(bare) : Number(side[2]) * (side[1]?.toUpperCase() === 'L' ? -1 : 1);
  if (!Number.isFinite(position) || Math.abs(position) > 100)
    return refuse(`“${text}” is not a pan position; write L30, C or R100.`);
  return value(position);
}

export const panText = (pan: number): string =>
  pan === 0 ? 'C' : pan < 0 ? `L${String(-pan)}` : `R${String(pan)}`;
