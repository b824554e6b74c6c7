import { cellText } from '../cells/channelCell';
import type { Desk, DeskRow } from '../desk';
import type { DeskPoint } from './deskOfSum';

export type BusKind = 'group' | 'send' | 'mix' | 'vca';

/**
 * A bus of a console that stems of a sum come to, a VCA they follow, or channels a parallel bus comes back by: one row,
 * or left and right.
 */
export interface DeskBus {
  readonly kind: BusKind | 'return';
  readonly name: string;
  readonly rows: readonly DeskRow[];
  /** What comes to it: stems, and groups that go on to the mix. */
  readonly feeds: readonly string[];
}

/** A stem with the channels it has. */
export interface DeskStem {
  readonly name: string;
  readonly points: readonly DeskPoint[];
}

const KINDS: Readonly<Record<string, BusKind>> = { groups: 'group', auxes: 'send', mix: 'mix', vcas: 'vca' };

/** What a cell of a row says; empty where it has no such. */
export function deskText(desk: Desk, { cells }: DeskRow, column: string): string {
  const placed = cells[column];
  return placed === undefined ? '' : cellText(placed.cell, desk.knobs(placed.device));
}

/** Whether a send or a switch is on, by what its cell says. */
export const isOn = (text: string): boolean => !['', 'off', 'other path'].includes(text);

const numberOf = ({ id }: DeskRow): number => Number(/\d+$/.exec(id)?.[0] ?? 1);

function goesToGroup(desk: Desk, { cells }: DeskRow, group: DeskRow): boolean {
  const placed = cells['groups'];
  const knob = placed?.cell.kind === 'set' ? placed.cell.of[numberOf(group) - 1] : undefined;
  return placed !== undefined && knob !== undefined && desk.knobs(placed.device).value(knob) === true;
}

/** Whether a channel comes to a bus, or follows it. */
const COMES: Readonly<Record<BusKind, (desk: Desk, channel: DeskRow, bus: DeskRow) => boolean>> = {
  group: goesToGroup,
  send: (desk, channel, { row }) => isOn(deskText(desk, channel, row.fedBy ?? '')),
  mix: (desk, channel) => isOn(deskText(desk, channel, 'toMix')),
  vca: (desk, channel, { name }) => deskText(desk, channel, 'vca') === name,
};

/** Whether a row is the right side of another: even groups stand right of the odd one before them, auxes say so. */
function isRightOf(left: DeskRow, right: DeskRow, desk: Desk): boolean {
  const kind = KINDS[right.section];
  if (left.section !== right.section || kind === 'vca') return false;
  if (numberOf(right) % 2 === 1 || numberOf(left) !== numberOf(right) - 1) return false;
  return kind !== 'send' || deskText(desk, left, 'stereo') === 'on';
}

/** What left and right are called together: "group 1–2". */
export const pairName = (rows: readonly DeskRow[]): string => {
  const [left, right] = rows;
  if (left === undefined || right === undefined) return left?.name ?? '';
  return `${left.name}–${/\S+$/.exec(right.name)?.[0] ?? right.name}`;
};

/** Every bus of a console that is used by some stems, in the order of its sheet, and the mix. */
export function deskBuses(desk: Desk, stems: readonly DeskStem[]): readonly DeskBus[] {
  const used = desk.rows.flatMap((row): readonly DeskBus[] => {
    const kind = KINDS[row.section];
    if (kind === undefined) return [];
    const feeds = stems
      .filter(({ points }) => points.some((at) => at.desk === desk && COMES[kind](desk, at.row, row)))
      .map(({ name }) => name);
    return feeds.length > 0 || kind === 'mix' ? [{ kind, name: row.name, rows: [row], feeds }] : [];
  });
  const paired = inPairs(desk, used);
  return paired.map((bus) =>
    bus.kind === 'mix' ? { ...bus, feeds: [...bus.feeds, ...groupsIntoMix(desk, paired)] } : bus,
  );
}

/** Rows that are left and right of one bus, as one. */
function inPairs(desk: Desk, buses: readonly DeskBus[]): readonly DeskBus[] {
  return buses.reduce<readonly DeskBus[]>((all, bus) => {
    const [last, row] = [all.at(-1), bus.rows[0]];
    const left = last?.rows.length === 1 ? last.rows[0] : undefined;
    if (last === undefined || left === undefined || row === undefined || !isRightOf(left, row, desk))
      return [...all, bus];
    const rows = [left, row];
    const feeds = [...new Set([...last.feeds, ...bus.feeds])];
    return [...all.slice(0, -1), { ...last, rows, feeds, name: pairName(rows) }];
  }, []);
}

const groupsIntoMix = (desk: Desk, buses: readonly DeskBus[]): readonly string[] =>
  buses
    .filter(({ kind, rows }) => kind === 'group' && rows.some((row) => isOn(deskText(desk, row, 'toMix'))))
    .map(({ name }) => name);
