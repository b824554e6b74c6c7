import type { BayViewModel } from '@ft/core/views/bay/bayView';
import type { LaneId } from '@ft/core/rig/ids';

/** Sizes of a bay on the screen, in CSS pixels. */
export const BAY = {
  pitch: 26,
  left: 12,
  title: 22,
  strip: 34,
  jackRow: 24,
  between: 22,
  gap: 22,
  radius: 7,
} as const;

/** Height of one bay: title, label strip, jacks, normals, jacks, label strip. */
export const BAY_HEIGHT = BAY.title + BAY.strip * 2 + BAY.jackRow * 2 + BAY.between + BAY.gap;

export interface Point {
  readonly x: number;
  readonly y: number;
}

/** The part of the sheet that is seen. */
export interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where a jack stands on the whole sheet of bays. */
export interface JackPlace extends Point {
  readonly bay: number;
  readonly column: number;
  readonly row: 'upper' | 'lower';
}

export const columnX = (column: number): number => BAY.left + (column - 0.5) * BAY.pitch;
export const rowY = (bay: number, row: 'upper' | 'lower'): number => {
  const top = bay * BAY_HEIGHT + BAY.title + BAY.strip;
  return row === 'upper' ? top + BAY.jackRow / 2 : top + BAY.jackRow * 1.5 + BAY.between;
};

/** Size of the whole sheet. */
export const sheetSize = (bays: readonly BayViewModel[]): { width: number; height: number } => ({
  width: BAY.left * 2 + Math.max(0, ...bays.map(({ columns }) => columns.length)) * BAY.pitch,
  height: bays.length * BAY_HEIGHT + BAY.gap,
});

/** Every jack by its lane. */
export function jackPlaces(bays: readonly BayViewModel[]): ReadonlyMap<LaneId, JackPlace> {
  const places = new Map<LaneId, JackPlace>();
  bays.forEach((it, bay) => {
    for (const column of it.columns)
      for (const row of ['upper', 'lower'] as const)
        places.set(column[row].lane, {
          bay,
          column: column.number,
          row,
          x: columnX(column.number),
          y: rowY(bay, row),
        });
  });
  return places;
}

/** The jack nearest to a point of the sheet, or none where none is near. */
export function jackAt(bays: readonly BayViewModel[], { x, y }: Point): JackPlace | undefined {
  const bay = Math.floor(y / BAY_HEIGHT);
  const column = Math.round((x - BAY.left) / BAY.pitch + 0.5);
  const columns = bays[bay]?.columns.length ?? 0;
  if (column < 1 || column > columns) return undefined;
  const reach = BAY.jackRow / 2 + 2;
  for (const row of ['upper', 'lower'] as const)
    if (Math.abs(rowY(bay, row) - y) <= reach)
      return { bay, column, row, x: columnX(column), y: rowY(bay, row) };
  return undefined;
}

/** The jack one step away; at the edge it stays. Up and down go on into the next bay. */
export function stepFrom(
  bays: readonly BayViewModel[],
  at: JackPlace,
  key: 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown',
): JackPlace {
  const place = (bay: number, column: number, row: 'upper' | 'lower'): JackPlace => {
    const last = bays[bay]?.columns.length ?? 1;
    const near = Math.max(1, Math.min(column, last));
    return { bay, column: near, row, x: columnX(near), y: rowY(bay, row) };
  };
  switch (key) {
    case 'ArrowLeft':
      return place(at.bay, at.column - 1, at.row);
    case 'ArrowRight':
      return place(at.bay, at.column + 1, at.row);
    case 'ArrowUp':
      if (at.row === 'lower') return place(at.bay, at.column, 'upper');
      return at.bay === 0 ? at : place(at.bay - 1, at.column, 'lower');
    case 'ArrowDown':
      if (at.row === 'upper') return place(at.bay, at.column, 'lower');
      return at.bay === bays.length - 1 ? at : place(at.bay + 1, at.column, 'upper');
  }
}

/** A run of labels that count on: "Kiln 1", "Kiln 2" … are written once. */
export interface LabelRun {
  readonly first: number;
  readonly last: number;
  readonly stem: string;
  /** What stands at each jack of the run. */
  readonly marks: readonly string[];
}

const NUMBERED = /^(.*?)\s*(\d+)$/;

/** Labels of a row as runs; a label that does not count on is a run of one. */
export function labelRuns(labels: readonly string[]): readonly LabelRun[] {
  const runs: { first: number; last: number; stem: string; marks: string[]; numbered: boolean }[] = [];
  labels.forEach((label, i) => {
    const column = i + 1;
    if (label === '') return;
    const match = NUMBERED.exec(label);
    const [stem, mark] = match === null ? [label, ''] : [match[1] ?? '', match[2] ?? ''];
    const before = runs.at(-1);
    const follows =
      before !== undefined &&
      match !== null &&
      before.numbered &&
      before.stem === stem &&
      before.last === column - 1 &&
      Number(before.marks.at(-1)) + 1 === Number(mark);
    if (follows) {
      before.last = column;
      before.marks.push(mark);
    } else runs.push({ first: column, last: column, stem, marks: [mark], numbered: match !== null });
  });
  return runs.map(({ first, last, stem, marks }) =>
    first === last
      ? { first, last, stem: `${stem} ${marks[0] ?? ''}`.trim(), marks: [''] }
      : { first, last, stem, marks },
  );
}

const SCROLL_MARGIN = 80;

/** Where a window has to scroll to for a point of its sheet to stand inside its margin; all in its pixels. */
export function scrollToShow(
  { x, y }: Point,
  {
    scrollLeft,
    scrollTop,
    clientWidth,
    clientHeight,
  }: Pick<Element, 'scrollLeft' | 'scrollTop' | 'clientWidth' | 'clientHeight'>,
): { readonly left: number; readonly top: number } {
  const along = (at: number, now: number, size: number): number =>
    at < now + SCROLL_MARGIN ? at - SCROLL_MARGIN : Math.max(now, at - size + SCROLL_MARGIN);
  return { left: along(x, scrollLeft, clientWidth), top: along(y, scrollTop, clientHeight) };
}
