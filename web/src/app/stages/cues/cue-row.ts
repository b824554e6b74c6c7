import type { ThreadStatus } from '@ft/core/checks/threadStatus';
import type { CueRowView, CueSheetView } from '@ft/core/views/cues/cueSheetView';

/** A row of the cue sheet: how far the lines of each cue have come, what its bus has itself, a source. */
export type CueRow =
  | {
      readonly kind: 'status';
      readonly id: 'status';
      readonly statuses: Readonly<Record<string, ThreadStatus>>;
    }
  | { readonly kind: 'bus' | 'source'; readonly id: string; readonly row: CueRowView };

/** How the cues run first, then their buses, then what is heard. */
export const cueRows = (
  sheet: CueSheetView,
  statuses: Readonly<Record<string, ThreadStatus>>,
): readonly CueRow[] =>
  sheet.cues.length === 0
    ? []
    : [
        { kind: 'status', id: 'status', statuses },
        ...sheet.buses.map((row): CueRow => ({ kind: 'bus', id: row.key, row })),
        ...sheet.rows.map((row): CueRow => ({ kind: 'source', id: row.key, row })),
      ];
