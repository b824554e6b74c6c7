import type { Knobs } from '../../consoles/cells/cellKind';
import { insertNames } from '../../consoles/cells/insertCell';
import { NOTHING, positionFor } from '../../consoles/cells/patchCell';
import { deskOf } from '../../consoles/desk';
import type { DeviceId } from '../../rig/ids';
import type { ChannelCell } from '../../rig/sheets/channelSheet';
import type { WorkedScene } from '../../scene/workedScene';
import { nameMatches } from '../../text/nameMatch';

/** Something that can stand in a cell, or why it cannot. */
export interface CellChoice {
  readonly id: string;
  readonly name: string;
  readonly because?: string;
}

const MOST_OFFERED = 60;

function offered(cell: ChannelCell, knobs: Knobs): readonly CellChoice[] {
  switch (cell.kind) {
    case 'patch':
      return [NOTHING, ...new Set(cell.sources)].map((name) => {
        const place = cell.sources.indexOf(name);
        const read = place < 0 ? undefined : positionFor(cell, place);
        return { id: name, name, ...(read?.ok === false && { because: read.sentence }) };
      });
    case 'insert':
      return insertNames(cell).map((name) => ({ id: name, name }));
    case 'knob':
      return (knobs.spec(cell.knob)?.names ?? []).map((name) => ({ id: name, name }));
    default:
      return [];
  }
}

/** What can stand in a cell, those that can be had first, by what was typed. */
export function cellChoices(
  context: WorkedScene,
  id: DeviceId,
  { row, column }: { readonly row: string; readonly column: string },
  text: string,
): readonly CellChoice[] {
  const desk = deskOf(context, id);
  const placed = desk?.rows.find((each) => each.id === row)?.cells[column];
  if (desk === undefined || placed === undefined) return [];
  const found = offered(placed.cell, desk.knobs(placed.device)).filter(({ name }) => nameMatches(name, text));
  return [
    ...found.filter(({ because }) => because === undefined),
    ...found.filter((each) => each.because !== undefined),
  ].slice(0, MOST_OFFERED);
}
