import { Injectable, signal } from '@angular/core';
import type { Remote } from 'comlink';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import type { PlaybackCheckId } from '@ft/core/rig/ids';
import type { ChannelLine } from '@ft/core/views/playback/playbackView';
import { cellsLabel, enterCells } from '../../state/enter-cells';
import type { PlannerApi } from '../../workers/planner-api';
import { Deeds } from '../deeds';
import type {
  SheetColumn,
  SheetEdits,
  SheetEntry,
  SheetRefusal,
  SheetWay,
} from '../../ui/sheet/sheet-column';

/** Turns what a person does with a playback check into changes. */
@Injectable()
export class PlaybackEdits extends Deeds<PlaybackDeed> implements SheetEdits<ChannelLine> {
  /** The check that is on the screen. */
  readonly check = signal<PlaybackCheckId | undefined>(undefined);

  async enter(
    entries: readonly SheetEntry<ChannelLine>[],
    way: SheetWay,
  ): Promise<readonly SheetRefusal<ChannelLine>[]> {
    const check = this.check();
    const [first] = entries;
    if (check === undefined || first === undefined) return [];
    const cells = entries.map(({ row, text }) => ({ row: row.row, text }));
    const label =
      entries.length === 1
        ? `${first.row.channel} ${first.text === 'on' ? 'plays back' : 'stays live'}`
        : `Who plays back: ${cellsLabel(cells.length, way)}`;
    return enterCells(this.changes, label, entries, (api) => api.scopeCells(check, cells));
  }

  /** Space on the cell that says who plays back. */
  toggle(row: ChannelLine, column: SheetColumn<ChannelLine>): void {
    void this.enter([{ row, column, text: row.isPlaying ? 'off' : 'on' }], 'typed').then((refused) => {
      const [first] = refused;
      if (first !== undefined) this.changes.complain(first.sentence);
    });
  }

  plan(api: Remote<PlannerApi>, deed: PlaybackDeed): Promise<ChannelPlan> {
    return api.playbackDeed(deed);
  }
}
