export type Shortcut = 'undo' | 'redo' | 'hop-back' | 'hop-on' | 'find' | 'help';

/** The shortcuts of the whole program, as the help lists them. */
export const SHORTCUTS: readonly { readonly keys: readonly string[]; readonly does: string }[] = [
  { keys: ['[', ']'], does: 'step back and on along the strip' },
  { keys: ['/'], does: 'find a thread, track, device, jack or label' },
  { keys: ['Ctrl Z'], does: 'undo' },
  { keys: ['Ctrl Shift Z', 'Ctrl Y'], does: 'redo' },
  { keys: ['↑ ↓ ← →'], does: 'move between cells of a sheet' },
  { keys: ['Enter', 'F2'], does: 'edit a cell; or simply type' },
  { keys: ['Esc'], does: 'leave a cell as it was' },
  { keys: ['Delete'], does: 'unpin a cell or empty it; the router fills it again' },
  { keys: ['Space'], does: 'throw the switch of a cell' },
  { keys: ['Ctrl Delete'], does: 'remove the line' },
  { keys: ['R'], does: 'on the findings page: take the first repair' },
  { keys: ['?'], does: 'show or hide this list' },
];

const PLAIN: Readonly<Record<string, Shortcut>> = {
  '[': 'hop-back',
  ']': 'hop-on',
  '/': 'find',
  '?': 'help',
};

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement;

/** The shortcut of a key press, or undefined. While somebody types, letters are letters. */
export function shortcutOf(event: KeyboardEvent): Shortcut | undefined {
  if (isTyping(event.target) || event.defaultPrevented) return undefined;
  if (!event.ctrlKey && !event.metaKey) return event.altKey ? undefined : PLAIN[event.key];
  const key = event.key.toLowerCase();
  if (key === 'y' || (key === 'z' && event.shiftKey)) return 'redo';
  return key === 'z' ? 'undo' : undefined;
}
