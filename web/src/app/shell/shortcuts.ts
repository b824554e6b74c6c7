import { OPEN_PLACES } from './stages';

export type Shortcut =
  'undo' | 'redo' | 'hop-back' | 'hop-on' | 'find' | 'help' | 'go' | 'strip' | 'sheet-on' | 'sheet-back';

interface Listed {
  readonly keys: readonly string[];
  readonly does: string;
}

/** The shortcuts of the whole program, as the help lists them. */
export const SHORTCUTS: readonly Listed[] = [
  { keys: ['g', 'Alt G'], does: 'then a letter: go there (Alt G while you type, too)' },
  { keys: ['g 1', 'g 2', '…'], does: 'go to that part of the page' },
  { keys: ['[', ']'], does: 'step back and on along the strip' },
  { keys: ['\\'], does: 'the strip: whole, one line, closed' },
  { keys: ['/'], does: 'find a page, thread, track, device, jack or label' },
  { keys: ['Ctrl Z'], does: 'undo' },
  { keys: ['Ctrl Shift Z', 'Ctrl Y'], does: 'redo' },
  { keys: ['F6', 'Shift F6'], does: 'into the next sheet of the page, or the one before; ↓ into the first' },
  { keys: ['↑ ↓ ← →'], does: 'move between cells of a sheet' },
  { keys: ['Enter', 'F2'], does: 'edit a cell; or simply type' },
  { keys: ['Esc'], does: 'leave a cell as it was' },
  { keys: ['Delete'], does: 'unpin a cell or empty it; the router fills it again' },
  { keys: ['Space'], does: 'throw the switch of a cell' },
  { keys: ['Ctrl D'], does: 'fill a range down from its first line; in a matrix, lay a diagonal' },
  { keys: ['Ctrl Shift D'], does: 'count on down a range: local in 1, 2, 3' },
  { keys: ['Ctrl Delete'], does: 'remove the line' },
  { keys: ['Alt ↑', 'Alt ↓'], does: 'put the line further up or down' },
  { keys: ['Alt Shift ←', 'Alt Shift →'], does: 'make the column narrower or wider' },
  { keys: ['Alt M'], does: 'on the cues page: mute what nobody wears' },
  { keys: ['Alt R'], does: 'on the playback page: put a training back to its start' },
  { keys: ['Alt S', 'Alt N', 'Alt 1–6'], does: 'on the takes page: start and stop, note, note of a kind' },
  { keys: ['Alt H'], does: 'on the takes page: set the counter to the host' },
  { keys: ['R'], does: 'on the findings page: take the first repair' },
  { keys: ['?'], does: 'show or hide this list' },
];

/** Where `g` and a letter lead. */
export const GOES_TO: readonly Listed[] = OPEN_PLACES.map(({ key, name }) => ({
  keys: ['g', key],
  does: name,
}));

const PLAIN: Readonly<Record<string, Shortcut>> = {
  g: 'go',
  '[': 'hop-back',
  ']': 'hop-on',
  '\\': 'strip',
  '/': 'find',
  '?': 'help',
};

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

/** The shortcut of a key press, or undefined. While somebody types, letters are letters. */
export function shortcutOf(event: KeyboardEvent): Shortcut | undefined {
  if (event.defaultPrevented) return undefined;
  if (event.altKey && !event.ctrlKey && event.code === 'KeyG') return 'go';
  if (event.key === 'F6') return event.shiftKey ? 'sheet-back' : 'sheet-on';
  if (isTyping(event.target)) return undefined;
  // With the keys nowhere, down is into the page.
  if (event.key === 'ArrowDown' && event.target === document.body) return 'sheet-on';
  if (!event.ctrlKey && !event.metaKey) return event.altKey ? undefined : PLAIN[event.key];
  const key = event.key.toLowerCase();
  if (key === 'y' || (key === 'z' && event.shiftKey)) return 'redo';
  return key === 'z' ? 'undo' : undefined;
}
