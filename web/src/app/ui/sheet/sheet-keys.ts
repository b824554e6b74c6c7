/** What a key does in a sheet while no cell is being edited. */
export type SheetCommand =
  | { readonly does: 'move'; readonly rows: number; readonly columns: number; readonly extends: boolean }
  | { readonly does: 'edit'; readonly typed?: string }
  | { readonly does: 'shift'; readonly rows: number }
  | { readonly does: 'widen'; readonly px: number }
  | { readonly does: 'clear' | 'toggle' | 'fill' | 'count' | 'all' | 'remove' | 'leave' };

/** Further than any sheet reaches: the edge stops it. */
const EDGE = 1e6;

/** A press makes a column wider by so much. */
const WIDER_PX = 10;

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  Home: [0, -EDGE],
  End: [0, EDGE],
};

/** Keys of the whole program begin no cell. */
const TAKEN = '[]\\/?';

const isLetter = (key: string): boolean => key.length === 1 && !TAKEN.includes(key);

function moved(
  { key, shiftKey, ctrlKey, metaKey }: KeyboardEvent,
  pageRows: number,
): SheetCommand | undefined {
  const isFar = ctrlKey || metaKey;
  const page = key === 'PageUp' ? -pageRows : key === 'PageDown' ? pageRows : undefined;
  if (page !== undefined) return { does: 'move', rows: page, columns: 0, extends: shiftKey };
  const step = STEPS[key];
  if (step === undefined) return undefined;
  const [rows, columns] = step;
  if (!isFar) return { does: 'move', rows, columns, extends: shiftKey };
  const across = Math.sign(columns) * EDGE;
  const isEnd = key === 'Home' || key === 'End';
  return {
    does: 'move',
    rows: isEnd ? across : Math.sign(rows) * EDGE,
    columns: across,
    extends: shiftKey,
  };
}

const withControl: Readonly<Record<string, SheetCommand>> = {
  d: { does: 'fill' },
  a: { does: 'all' },
  delete: { does: 'remove' },
};

/** Alt moves the row itself; with Shift it makes the column wider or narrower. */
function withAlt({ key, shiftKey, ctrlKey, metaKey }: KeyboardEvent): SheetCommand | undefined {
  const [rows, columns] = (ctrlKey || metaKey ? undefined : STEPS[key]) ?? [0, 0];
  if (Math.abs(rows) === 1) return shiftKey ? undefined : { does: 'shift', rows };
  return shiftKey && Math.abs(columns) === 1 ? { does: 'widen', px: columns * WIDER_PX } : undefined;
}

const plain: Readonly<Record<string, SheetCommand>> = {
  Enter: { does: 'edit' },
  F2: { does: 'edit' },
  Delete: { does: 'clear' },
  Backspace: { does: 'clear' },
  ' ': { does: 'toggle' },
  Escape: { does: 'leave' },
};

/**
 * The command of a key press, or undefined where the sheet has none.
 * @param pageRows how many rows a page key moves.
 */
export function sheetCommand(event: KeyboardEvent, pageRows: number): SheetCommand | undefined {
  if (event.altKey) return withAlt(event);
  const move = moved(event, pageRows);
  if (move !== undefined) return move;
  if (event.ctrlKey || event.metaKey) {
    const key = event.key.toLowerCase();
    return key === 'd' && event.shiftKey ? { does: 'count' } : withControl[key];
  }
  return plain[event.key] ?? (isLetter(event.key) ? { does: 'edit', typed: event.key } : undefined);
}
