import { editSet } from '@ft/core/edits/make';
import type { Edit } from '@ft/core/edits/make';
import type { BayJack, BayViewModel } from '@ft/core/views/bay/bayView';
import type { JackPlace } from './bay-geometry';

/** The change that writes a label strip at one jack; none where it says so already. An empty text clears it. */
export function labelChange(
  bay: BayViewModel,
  { row, column }: JackPlace,
  jack: BayJack,
  typed: string,
): { readonly label: string; readonly edits: readonly Edit[] } | undefined {
  const text = typed.trim();
  if (text === jack.label) return undefined;
  const edit = editSet('device', {}, bay.id, {
    field: `params.labels.${row}-${String(column)}`,
    value: text === '' ? null : text,
    was: jack.label === '' ? null : jack.label,
  });
  return { label: `Label ${bay.name} ${String(column)} ${row}`, edits: [edit] };
}
