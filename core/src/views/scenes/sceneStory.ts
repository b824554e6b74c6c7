import { settingKeyOf } from '../../rig/settings';
import type { GraphStation } from '../../graph/signalGraph';
import type { CordLine, KnobLine } from './comparison';
import type { SideThread, ThreadPair } from './sceneSide';

const joined = (parts: readonly string[]): string =>
  parts.length < 2 ? parts.join('') : `${parts.slice(0, -1).join(', ')} and ${parts.at(-1) ?? ''}`;

const counted = (count: number, one: string, many: string): string =>
  `${String(count)} ${count === 1 ? one : many}`;

/** Stations of one side that the other does not have. */
const only = (stations: readonly GraphStation[], others: readonly GraphStation[]): readonly string[] =>
  stations.filter(({ id }) => !others.some((other) => other.id === id)).map(({ name }) => name);

/** The knobs of the stations a thread passes on the right. */
function knobsOn({ stations }: SideThread, knobs: readonly KnobLine[]): readonly KnobLine[] {
  const keys = new Set<string>(
    stations.flatMap(({ device, channel, settings }) =>
      settings.map((setting) => settingKeyOf(device, setting, channel)),
    ),
  );
  return knobs.filter(({ key }) => keys.has(key));
}

const turned = ({ knob, left, right }: KnobLine): string =>
  right === 'on' || right === 'off' ? `${knob} ${right}` : `${knob} ${right} instead of ${left}`;

/** With the device in front, where the sentence is about a thread. */
const turnedOn = (line: KnobLine): string => `${line.device} ${turned(line)}`;

/** What becomes of the way of a thread, from left to right. */
function wayPart(left: SideThread, right: SideThread): readonly string[] {
  if (!left.isWhole || !right.isWhole) {
    if (left.isWhole === right.isWhole) return [];
    return [right.isWhole ? 'runs now' : 'does not run any more'];
  }
  const [gone, come] = [only(left.stations, right.stations), only(right.stations, left.stations)];
  if (gone.length === 0 && come.length === 0) return [];
  if (come.length === 0) return [`no longer passes ${joined(gone)}`];
  if (gone.length === 0) return [`passes ${joined(come)} as well`];
  return [`goes by ${joined(come)} instead of ${joined(gone)}`];
}

function threadSentence({ name, left, right }: ThreadPair, knobs: readonly KnobLine[]): string | undefined {
  if (right === undefined) return undefined;
  const own = knobsOn(right, knobs).map(turnedOn);
  if (left === undefined) {
    const way = right.isWhole
      ? `by ${joined(right.stations.map((station) => station.name))}`
      : 'but does not run';
    return `${name} comes in, ${way}${own.length === 0 ? '' : `; ${own.join(', ')}`}.`;
  }
  const way = wayPart(left, right);
  if (way.length === 0 && own.length === 0) return undefined;
  return way.length === 0 ? `${name}: ${own.join(', ')}.` : `${name} ${[...way, ...own].join('; ')}.`;
}

/** Threads that are not in the second scene, in one sentence. */
function leftOut(pairs: readonly ThreadPair[]): readonly string[] {
  const names = pairs.filter(({ right }) => right === undefined).map(({ name }) => name);
  if (names.length === 0) return [];
  return [`${names.join('; ')} ${names.length === 1 ? 'is' : 'are'} left out.`];
}

function cordSentence(cords: readonly CordLine[]): readonly string[] {
  const count = (what: CordLine['what']): number => cords.filter((cord) => cord.what === what).length;
  const parts = [
    [count('left only'), 'comes out', 'come out'],
    [count('moved'), 'has an end moved', 'have an end moved'],
    [count('right only'), 'goes in', 'go in'],
  ] as const;
  const said = parts.flatMap(([n, one, many]) => (n === 0 ? [] : [`${String(n)} ${n === 1 ? one : many}`]));
  return said.length === 0 ? [] : [`Of the cords ${joined(said)}.`];
}

/** Knobs that no thread's sentence has told, device by device. */
function restSentences(knobs: readonly KnobLine[]): readonly string[] {
  const devices = [...new Set(knobs.map(({ device }) => device))];
  return devices.map((device) => {
    const own = knobs.filter((line) => line.device === device);
    const told =
      own.length > 4 ? [counted(own.length, 'setting differs', 'settings differ')] : own.map(turned);
    return `${device}: ${told.join(', ')}.`;
  });
}

/** The difference between two scenes as somebody would tell it: thread by thread, then the rest. */
export function storyOf(
  pairs: readonly ThreadPair[],
  cords: readonly CordLine[],
  knobs: readonly KnobLine[],
): readonly string[] {
  const told = new Set(pairs.flatMap(({ right }) => (right === undefined ? [] : knobsOn(right, knobs))));
  return [
    ...leftOut(pairs),
    ...pairs.flatMap((pair) => threadSentence(pair, knobs) ?? []),
    ...restSentences(knobs.filter((knob) => !told.has(knob))),
    ...cordSentence(cords),
  ];
}
