import type { Counterpart } from '@ft/core/actions/sessions/counterparts';
import { typeForms } from '@ft/core/rig/paramFields';
import { nameMatches } from '@ft/core/text/nameMatch';
import type { DeviceId } from '@ft/core/rig/ids';
import type { SheetColumn, SheetEdits, SheetRefusal } from '../../ui/sheet/sheet-column';

/** What is typed, and shown, where nothing here stands for a device. */
export const NOTHING = 'nothing: left out';

const HOW: Readonly<Record<Counterpart['how'], string>> = {
  'same-name': 'same name and kind',
  chosen: 'chosen by hand',
  none: 'none of its kind here',
};

const titles = new Map(typeForms().map(({ type, title }) => [type, title]));

export const COUNTERPART_COLUMNS: readonly SheetColumn<Counterpart>[] = [
  { id: 'theirs', title: 'There', widthPx: 180, text: ({ theirs }) => theirs.name },
  {
    ...{ id: 'kind', title: 'Kind', widthPx: 165 },
    text: ({ theirs }) => titles.get(theirs.type) ?? theirs.type,
  },
  {
    ...{ id: 'ours', title: 'Stands for it here', widthPx: 185, editor: 'choice', isRequired: true },
    text: ({ ours }) => ours?.name ?? NOTHING,
  },
  {
    ...{ id: 'how', title: 'Because', widthPx: 165 },
    text: ({ how, candidates }) =>
      how === 'none' && candidates.length > 0
        ? `not said; ${String(candidates.length)} of its kind`
        : HOW[how],
  },
];

/** Takes over who stands for whom; nothing of it is stored until the session is taken over. */
export const counterpartEdits = (
  say: (theirs: DeviceId, ours: DeviceId | null) => void,
): SheetEdits<Counterpart> => {
  const enter: SheetEdits<Counterpart>['enter'] = (entries) =>
    entries.flatMap((entry): readonly SheetRefusal<Counterpart>[] => {
      const { row, text } = entry;
      const typed = text.trim().toLowerCase();
      const ours = row.candidates.find(({ name }) => name.toLowerCase() === typed);
      if (ours !== undefined || typed === '' || typed === NOTHING) {
        say(row.theirs.id, ours?.id ?? null);
        return [];
      }
      const names = row.candidates.map(({ name }) => name).join(', ');
      const there = names === '' ? 'There is none of its kind here.' : `There are: ${names}.`;
      return [{ entry, sentence: `“${text}” cannot stand for ${row.theirs.name}. ${there}` }];
    });
  return {
    enter,
    search: ({ candidates }, _column, text) =>
      Promise.resolve(
        [...candidates.map(({ name }) => name), NOTHING]
          .filter((name) => nameMatches(name, text))
          .map((name) => ({ id: name, name })),
      ),
    choose: (row, column, { name }) => void enter([{ row, column, text: name }], 'typed'),
  };
};
