import type { EditJson } from '@ft/core/edits/editKind';
import type { BayJack, BayViewModel } from '@ft/core/views/bay/bayView';
import type { JackPlace } from './bay-geometry';

/** The change that writes a label strip at one jack; none where it says so already. An empty text clears it. */
export function labelChange(
  bay: BayViewModel,
  { row, column }: JackPlace,
  jack: BayJack,
  typed: string,
): { readonly label: string; readonly edits: readonly EditJson[] } | undefined {
  const text = typed.trim();
  if (text === jack.label) return undefined;
  const field = `params.labels.${row}-${String(column)}`;
  const edit = {
    type: 'device.set',
    id: bay.id,
    field,
    value: text === '' ? null : text,
    was: jack.label === '' ? null : jack.label,
  };
  return { label: `Label ${bay.name} ${String(column)} ${row}`, edits: [edit] };
}
