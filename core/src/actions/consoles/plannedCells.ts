import { cellText, knobsOf, readCell } from '../../consoles/cells/channelCell';
import type { Desk, DeskRow, PlacedCell } from '../../consoles/desk';
import { deskOf } from '../../consoles/desk';
import { applyEdits } from '../../edits/change';
import type { DeviceId } from '../../rig/ids';
import { settingKeyOf } from '../../rig/settings';
import type { WorkedScene } from '../../scene/workedScene';
import { workedSceneAfter } from '../../scene/workedSceneAfter';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import type { Studio } from '../../session/studioSchema';
import { didYouMean, nearestNames } from '../../text/nearestName';
import type { ChannelChange, ChannelEntry, ChannelPlan, ChannelRefusal } from './channelPlan';
import { phantomHeldBack } from '../phantomHeldBack';
import { TurnedKnobs } from './turnedKnobs';

/** What many cells are planned in. */
export interface DeskPlace {
  readonly studio: Studio;
  readonly place: ScenePlace;
  readonly context: WorkedScene;
  readonly device: DeviceId;
}

/** What there is to a cell besides its text. */
interface Target {
  readonly entry: ChannelEntry;
  readonly row: DeskRow;
  readonly title: string;
  readonly placed: PlacedCell;
}

const PREAMP = new Set(['gain', 'pad', 'phantom', 'invert', 'insert']);

/** What is wrong with the address of a cell, or the cell itself. */
function targetOf(
  desk: Desk,
  entry: ChannelEntry,
): Target | { readonly sentence: string; readonly row: string } {
  const row = desk.rows.find(({ id }) => id === entry.row);
  const column = desk.columns.find(({ id }) => id === entry.column);
  if (row === undefined) {
    const names = nearestNames(
      entry.row,
      desk.rows.map(({ name }) => name),
    );
    return { row: entry.row, sentence: `${desk.device.name} has no “${entry.row}”.${didYouMean(names)}` };
  }
  const placed = row.cells[entry.column];
  if (column === undefined || placed === undefined)
    return {
      row: row.name,
      sentence: PREAMP.has(entry.column)
        ? `No amplifier is in front of ${row.name}. Choose what it listens to first.`
        : `${row.name} has no ${column?.title.toLowerCase() ?? `column “${entry.column}”`}.`,
    };
  return { entry, row, title: column.title, placed };
}

/** Cells that moved with others without being meant: they share a knob with them. */
function dragged(desk: Desk, knobs: TurnedKnobs, meant: ReadonlySet<string>): readonly ChannelChange[] {
  return desk.rows.flatMap((row) =>
    Object.entries(row.cells).flatMap(([column, { device, cell }]): ChannelChange[] => {
      // Only knobs that several cells share can move one that was not meant.
      if (meant.has(`${row.id}\t${column}`) || (cell.kind !== 'patch' && cell.kind !== 'knob')) return [];
      const [from, to] = [cellText(cell, desk.knobs(device)), cellText(cell, knobs.of(device))];
      if (from === to) return [];
      const title = desk.columns.find(({ id }) => id === column)?.title ?? column;
      return [{ row: row.name, column: title, from, to, isDragged: true }];
    }),
  );
}

/** 48 V onto many lines at once must not reach one that it may harm. */
function harm({ context }: DeskPlace, { entry, placed }: Target): string | undefined {
  const [knob] = entry.column === 'phantom' ? knobsOf(placed.cell) : [];
  return knob && phantomHeldBack(context, placed.device.id, knob);
}

/** Texts taken one after the other, each read with those before it in force. */
class Planning {
  private readonly knobs: TurnedKnobs;
  private readonly changes: ChannelChange[] = [];
  private readonly refused: ChannelRefusal[] = [];
  private readonly meant = new Set<string>();
  private readonly setBy = new Map<string, string>();

  constructor(
    private readonly it: DeskPlace,
    private readonly desk: Desk,
    private readonly isMany: boolean,
  ) {
    this.knobs = new TurnedKnobs(it.context.scene);
  }

  enter(entry: ChannelEntry, at: number): void {
    const target = targetOf(this.desk, entry);
    if ('sentence' in target)
      this.refused.push({ at, row: target.row, column: entry.column, sentence: target.sentence });
    else {
      const sentence = this.turn(target);
      if (sentence !== undefined)
        this.refused.push({ at, row: target.row.name, column: target.title, sentence });
    }
  }

  /** @returns why not, where a text cannot be entered. */
  private turn(target: Target): string | undefined {
    const { entry, row, title, placed } = target;
    const { device, cell } = placed;
    const knobs = this.knobs.of(device);
    const from = cellText(cell, this.desk.knobs(device));
    const read = readCell(cell, entry.text, knobs);
    if (!read.ok) return read.sentence;
    const clash = this.knobs.contradicted(device, read.value);
    if (clash !== undefined)
      return `It moves with ${this.setBy.get(settingKeyOf(device.id, clash.knob.setting, clash.knob.channel)) ?? 'another'}, which was set otherwise just now.`;
    const isTurnedOn = read.value.some(({ value }) => value === true);
    const harmed = this.isMany && isTurnedOn ? harm(this.it, target) : undefined;
    if (harmed !== undefined) return harmed;
    this.knobs.turn(device, read.value);
    this.meant.add(`${row.id}\t${entry.column}`);
    // A send that is off in one row may be on in another of the same strip; a patch or a figure is meant as it stands.
    const isWhole = cell.kind === 'patch' || cell.kind === 'knob';
    if (isWhole) this.knobs.tell(device, cell.knob);
    for (const knob of isWhole ? [cell.knob] : read.value.map((turn) => turn.knob))
      this.setBy.set(settingKeyOf(device.id, knob.setting, knob.channel), row.name);
    const to = cellText(cell, this.knobs.of(device));
    if (from !== to) this.changes.push({ row: row.name, column: title, from, to });
    return undefined;
  }

  plan(): ChannelPlan {
    const edits = this.knobs.edits(this.it.place);
    const along = edits.length === 0 ? [] : dragged(this.desk, this.knobs, this.meant);
    return { edits, changes: [...this.changes, ...along], refused: this.refused };
  }
}

function planIn(
  it: DeskPlace,
  wanted: readonly (readonly [number, ChannelEntry])[],
  isMany: boolean,
): ChannelPlan {
  const desk = deskOf(it.context, it.device);
  if (desk === undefined) return { edits: [], changes: [], refused: [] };
  const planning = new Planning(it, desk, isMany);
  for (const [at, entry] of wanted) planning.enter(entry, at);
  return planning.plan();
}

/** The same place once some edits are made. */
function after(it: DeskPlace, { edits }: ChannelPlan): DeskPlace {
  const made = edits.length === 0 ? undefined : applyEdits(it.studio, edits);
  const found = made?.ok === true ? findScene(made.value, it.place) : undefined;
  if (made?.ok !== true || found === undefined) return it;
  const context = workedSceneAfter(it.context, made.value.rig, found.session, found.scene, made.value.floor);
  return { ...it, studio: made.value, context };
}

/**
 * Texts for cells of a channel sheet, in the order in which they build on each other: what channels listen to first,
 * since that decides which amplifier is in front of them.
 */
export function plannedCells(it: DeskPlace, wanted: readonly ChannelEntry[]): ChannelPlan {
  const numbered = wanted.map((entry, at) => [at, entry] as const);
  const isMany = wanted.length > 1;
  const sources = numbered.filter(([, { column }]) => column === 'source');
  const others = numbered.filter(([, { column }]) => column !== 'source');
  if (sources.length === 0 || !others.some(([, { column }]) => PREAMP.has(column)))
    return planIn(it, numbered, isMany);
  const first = planIn(it, sources, isMany);
  const then = planIn(after(it, first), others, isMany);
  return {
    edits: [...first.edits, ...then.edits],
    changes: [...first.changes, ...then.changes],
    refused: [...first.refused, ...then.refused],
  };
}
