import { reach } from '../graph/reach';
import type { WorkedScene } from '../scene/workedScene';
import { threadName } from '../session/threadName';
import { carriedIn } from './carried';
import { cellText } from './cells/channelCell';
import type { Desk, DeskRow } from './desk';

/** What a channel of a console is used for. */
export const STRIP_USES = ['input', 'playback', 'return', 'group', 'parallel', 'open', 'free'] as const;
export type StripUse = (typeof STRIP_USES)[number];

/** How the channels of a console are used, and which lines have none. */
export interface StripBudget {
  readonly channels: number;
  readonly uses: readonly {
    readonly use: StripUse;
    readonly count: number;
    readonly names: readonly string[];
  }[];
  /** Lines that come into the console and reach no channel. */
  readonly without: readonly string[];
}

const sourceText = (desk: Desk, { cells }: DeskRow): string => {
  const placed = cells['source'];
  return placed === undefined ? '' : cellText(placed.cell, desk.knobs(placed.device));
};

/** What comes from a recorder or player, by the kind of the device a sound begins at. */
const PLAYERS = new Set(['dawHost', 'mediaPlayer']);

/** @param taken what channels further up listen to: a second one with the same is a parallel strip. */
function useOf(
  context: WorkedScene,
  desk: Desk,
  row: DeskRow,
  carried: string,
  taken: Set<string>,
): StripUse {
  const source = sourceText(desk, row);
  if (source === 'none') return 'free';
  if (source.startsWith('effect')) return 'return';
  if (source.startsWith('group')) return 'group';
  // Selectors of one's own connectors say the same on every channel; only counted sources are somebody's.
  const isTwice = taken.has(source) && /\d/.test(source);
  taken.add(source);
  if (isTwice) return 'parallel';
  if (carried === '') return 'open';
  const from = row.lane === undefined ? [] : [...reach(context.graph, [row.lane], 'to')];
  const plays = from.some((lane) => {
    const at = context.graph.lanes[lane];
    return at !== undefined && PLAYERS.has(context.devices.get(at.device)?.type ?? '');
  });
  return plays ? 'playback' : 'input';
}

/** Threads whose sound comes into the console and reaches none of its channels. */
function linesWithout(
  { graph, threads }: WorkedScene,
  desk: Desk,
  channels: ReadonlySet<number>,
): readonly string[] {
  const own = new Set(
    graph.lanes.flatMap(({ index, device, direction, face }) =>
      device === desk.device.id && direction === 'in' && face !== 'inside' ? [index] : [],
    ),
  );
  return threads.flatMap(({ thread, start }) => {
    const lanes = [...reach(graph, [start], 'from')];
    const isIn = lanes.some((lane) => own.has(lane));
    return isIn && !lanes.some((lane) => channels.has(lane)) ? [threadName(thread)] : [];
  });
}

/** Who has the channels of a console; undefined for a device that has none. */
export function stripBudget(context: WorkedScene, desk: Desk): StripBudget | undefined {
  const channels = desk.rows.filter(({ section }) => section === 'channels');
  if (channels.length === 0) return undefined;
  const carried = carriedIn(context);
  const taken = new Set<string>();
  const used = channels.map((row) => {
    const name = row.lane === undefined ? '' : carried(row.lane);
    return { row, name, use: useOf(context, desk, row, name, taken) };
  });
  return {
    channels: channels.length,
    uses: STRIP_USES.flatMap((use) => {
      const of = used.filter((each) => each.use === use);
      if (of.length === 0) return [];
      const names = of.map(({ row, name }) => (name === '' ? row.name : `${row.name}: ${name}`));
      return [{ use, count: of.length, names }];
    }),
    without: linesWithout(context, desk, new Set(channels.flatMap(({ lane }) => lane ?? []))),
  };
}
