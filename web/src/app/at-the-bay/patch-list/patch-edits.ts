import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import type { CordTick } from '@ft/core/actions/bay/floorTick';
import { readOnOff } from '@ft/core/typed/settingText';
import type { PatchLine } from '@ft/core/views/bay/patchList';
import { Changes } from '../../state/changes';
import { cellsLabel, enterCells } from '../../state/enter-cells';
import { PlanActions } from '../../state/plan.feature';
import type {
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';

type Entry = SheetEntry<PatchLine>;

export const PATCH_COLUMNS: readonly SheetColumn<PatchLine>[] = [
  {
    ...{ id: 'plugged', title: 'In', widthPx: 50, editor: 'switch', isRequired: true },
    text: ({ plugged }) => (plugged ? 'on' : 'off'),
  },
  { id: 'room', title: 'Room', widthPx: 110, text: ({ room }) => room },
  { id: 'from', title: 'From', widthPx: 150, text: ({ from }) => from },
  { id: 'to', title: 'To', widthPx: 140, text: ({ to }) => to },
  { id: 'cord', title: 'Cord', widthPx: 160, text: ({ cordKind }) => cordKind },
  { id: 'thread', title: 'Thread', widthPx: 190, text: ({ thread }) => thread },
  { id: 'breaks', title: 'Breaks normal', widthPx: 150, text: ({ breaks }) => breaks.join('; ') },
  { id: 'why', title: 'Why', widthPx: 210, text: ({ why }) => why },
];

/** Turns what a person does on the patch list into changes of what is plugged. */
@Injectable()
export class PatchEdits implements SheetEdits<PatchLine> {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);

  async enter(entries: readonly Entry[], way: SheetWay): Promise<readonly SheetRefusal<PatchLine>[]> {
    const unclear: SheetRefusal<PatchLine>[] = [];
    const clear: Entry[] = [];
    const wanted = entries.flatMap((entry): readonly CordTick[] => {
      const read = readOnOff('a cord', entry.text);
      if (!read.ok) unclear.push({ entry, sentence: read.sentence });
      else clear.push(entry);
      return read.ok ? [{ cord: entry.row.cord, isIn: read.value }] : [];
    });
    const label = `Patch list: ${cellsLabel(wanted.length, way)}`;
    return [...unclear, ...(await enterCells(this.changes, label, clear, (api) => api.tickCords(wanted)))];
  }

  toggle({ cord }: PatchLine, { editor }: SheetColumn<PatchLine>): void {
    if (editor === 'switch') void this.tick(cord);
  }

  /** Enter shows the figures of the cord; coming to it shows its path only, so that the list stays under the hand. */
  open(line: PatchLine): void {
    this.select(line, false);
  }

  reach(line: PatchLine): void {
    this.select(line, true);
  }

  private select({ cord }: PatchLine, quietly: boolean): void {
    this.store.dispatch(PlanActions.select({ ref: { kind: 'cord', id: cord }, quietly }));
  }

  private async tick(cord: PatchLine['cord']): Promise<void> {
    this.changes.take(await this.changes.worked('Tick the cord', (api) => api.tickCord(cord)));
  }
}
