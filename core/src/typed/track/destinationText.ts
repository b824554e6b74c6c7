import { typedNumber } from '../../text/typedNumber';
import { busName, busNamed } from './busNamed';
import type { CellReading } from '../../text/cellReading';
import { all, parts, refuse, value } from '../../text/cellReading';
import { decibels } from './faderText';
import type { Bus, Destination, Send, Track } from '../../session/daw/trackSchema';

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

const readBus = (text: string, buses: readonly Bus[]): CellReading<Bus['id']> =>
  busNamed(buses, BUS.exec(text.trim())?.[1] ?? text);

function readDestination(text: string, width: number, buses: readonly Bus[]): CellReading<Destination> {
  // A mono track goes to one output, or to a pair, between which its pan divides it.
  const pair = width === 1 ? hostFirst(text, 2) : undefined;
  if (pair?.ok === true && /\d\s*[-–]/.test(text)) return value({ to: 'host', first: pair.value, width: 2 });
  const host = hostFirst(text, width);
  if (host !== undefined) return host.ok ? value({ to: 'host', first: host.value }) : host;
  const bus = readBus(text, buses);
  return bus.ok ? value({ to: 'bus', bus: bus.value }) : bus;
}

export const destinationText = (destination: Destination, width: number, buses: readonly Bus[]): string =>
  destination.to === 'host'
    ? hostText(destination.first, destination.width ?? width)
    : `bus ${busName(buses, destination.bus)}`;

/** Host inputs ("5", "5-6"), a bus ("bus Music"), or nothing. */
export function readInput(
  text: string,
  track: Pick<Track, 'width'>,
  buses: readonly Bus[],
): CellReading<Track['input']> {
  if (text.trim() === '' || text.trim() === '–') return value({ from: 'none' });
  const host = hostFirst(text, track.width);
  if (host !== undefined) return host.ok ? value({ from: 'host', first: host.value }) : host;
  const bus = readBus(text, buses);
  return bus.ok ? value({ from: 'bus', bus: bus.value }) : bus;
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
    levelDb: typedNumber(match[4] ?? '') ?? 0,
    pan: typedNumber(match[6] ?? '') ?? 0,
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
