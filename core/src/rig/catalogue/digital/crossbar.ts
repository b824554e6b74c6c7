import type { Choosable, LaneKey, Route } from '../../deviceModel';
import type { ReadSetting, SettingSpec, SettingValue } from '../../settings';
import { selector } from '../knobs';
import { numbersTo } from '../params';
import { crosspoint, knobsAt } from '../routeKinds';

/** A lane with the name a matrix page gives it. */
export interface Tap {
  readonly name: string;
  readonly lane: LaneKey;
}

/**
 * A routing matrix: each destination listens to one source or to none. A coarse one moves whole blocks:
 * lane k of a destination block listens to lane k of a source block.
 */
export interface Crossbar {
  readonly setting: string;
  readonly title: string;
  readonly sources: readonly Tap[];
  readonly destinations: readonly Tap[];
  /** Lanes that move together; 1 where each is free. */
  readonly block: number;
  /** Source block (from 1, or 0 for none) of each destination block at first. */
  readonly initial: (destinationBlock: number) => number;
}

const blockCount = (taps: readonly Tap[], block: number): number => Math.ceil(taps.length / block);

/** "input 9–16": the names at both ends of a block. */
function blockName(taps: readonly Tap[], block: number, n: number): string {
  const first = taps[(n - 1) * block]?.name ?? '';
  const last = taps[Math.min(n * block, taps.length) - 1]?.name ?? '';
  return block === 1 || first === last ? first : `${first} – ${last}`;
}

/** The knob of a matrix: a channel for each destination, a position for each source. */
export function crossbarKnob({
  setting,
  title,
  sources,
  destinations,
  block,
  initial,
}: Crossbar): SettingSpec {
  const names = numbersTo(blockCount(sources, block)).map((n) => blockName(sources, block, n));
  const count = blockCount(destinations, block);
  const initials: readonly SettingValue[] = numbersTo(count).map((n) => {
    const source = initial(n);
    return source <= names.length ? source : 0;
  });
  return { ...selector(setting, title, count, names), initials };
}

/** The crosspoints that are closed. */
export function crossbarRoutes(
  { setting, sources, destinations, block }: Crossbar,
  read: ReadSetting,
): readonly Route[] {
  return destinations.flatMap((destination, i) => {
    const channel = Math.floor(i / block) + 1;
    const chosen = Number(read(setting, channel));
    const source = chosen === 0 ? undefined : sources[(chosen - 1) * block + (i % block)];
    if (source === undefined) return [];
    return [crosspoint(source.lane, destination.lane, 0, { knobs: knobsAt(channel, setting) })];
  });
}

/** Every crosspoint a matrix has. Lanes that share a knob move together. */
export function crossbarChoosables({
  setting,
  sources,
  destinations,
  block,
}: Crossbar): readonly Choosable[] {
  return destinations.flatMap((destination, i) => {
    const fitting = sources.flatMap((source, k) => (k % block === i % block ? [{ source, k }] : []));
    return fitting.map(({ source, k }) => ({
      setting,
      channel: Math.floor(i / block) + 1,
      value: Math.floor(k / block) + 1,
      from: source.lane,
      to: destination.lane,
    }));
  });
}
