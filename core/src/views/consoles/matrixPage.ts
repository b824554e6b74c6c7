import { carriedIn } from '../../consoles/carried';
import { NOTHING, sourceAt } from '../../consoles/cells/patchCell';
import type { Desk, DeskRow } from '../../consoles/desk';
import { deskOf } from '../../consoles/desk';
import { leadsOf } from '../../consoles/leads';
import type { DeviceId } from '../../rig/ids';
import type { PatchCell } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';

/** A source of a matrix: a column of the grid. */
export interface MatrixSource {
  readonly name: string;
  /** Its places in a block, from 0: a coarse patch gives it to destinations at the same place only. */
  readonly places: readonly number[];
}

/** A destination: a row of the grid. */
export interface MatrixRow {
  readonly id: string;
  readonly name: string;
  /** What it carries as it stands, and where it leads. */
  readonly carries: string;
  readonly leads: string;
  /** The column of its source; −1 for none. */
  readonly source: number;
  /** Its place in its block, from 0. */
  readonly place: number;
}

/** Sources against destinations of one patch page. */
export interface MatrixPage {
  readonly section: string;
  readonly title: string;
  /** Lanes that move together; 1 where each is free. */
  readonly block: number;
  readonly sources: readonly MatrixSource[];
  readonly rows: readonly MatrixRow[];
}

const patchOf = ({ cells }: DeskRow): PatchCell | undefined => {
  const cell = cells['source']?.cell;
  return cell?.kind === 'patch' ? cell : undefined;
};

/** The sections of a device that are patched by a matrix. */
export const matrixSections = (desk: Desk): readonly { readonly id: string; readonly title: string }[] =>
  desk.sheet.sections
    .filter(({ rows }) => rows.some(({ cells }) => cells['source']?.kind === 'patch'))
    .map(({ id, title }) => ({ id, title }));

/** Banks are filled up to whole blocks with their last source: each name is one column. */
function sourcesOf({ sources, block }: PatchCell): readonly MatrixSource[] {
  const places = new Map<string, Set<number>>();
  sources.forEach((name, i) => places.set(name, (places.get(name) ?? new Set()).add(i % block)));
  return [...places].map(([name, at]) => ({ name, places: [...at] }));
}

/** One patch page of a device as a grid; undefined where there is none. */
export function matrixPage(context: WorkedScene, id: DeviceId, section: string): MatrixPage | undefined {
  const desk = deskOf(context, id);
  const rows = desk?.rows.filter((row) => row.section === section && patchOf(row) !== undefined) ?? [];
  const first = rows[0] && patchOf(rows[0]);
  if (desk === undefined || first === undefined) return undefined;
  const sources = sourcesOf(first);
  const columns = new Map(sources.map(({ name }, i) => [name, i]));
  const carried = carriedIn(context);
  const knobs = desk.knobs(desk.device);
  return {
    section,
    title: desk.sheet.sections.find((each) => each.id === section)?.title ?? section,
    block: first.block,
    sources,
    rows: rows.flatMap((row) => {
      const cell = patchOf(row);
      if (cell === undefined) return [];
      const place = sourceAt(cell, Number(knobs.value(cell.knob)));
      return {
        ...{ id: row.id, name: row.name, place: cell.at, leads: leadsOf(context, desk, row) },
        carries: row.lane === undefined ? '' : carried(row.lane),
        source: place === undefined ? -1 : (columns.get(cell.sources[place] ?? NOTHING) ?? -1),
      };
    }),
  };
}
