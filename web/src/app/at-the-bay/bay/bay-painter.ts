import type { BayColumnView, BayCord, BayJack, BaysView, BayViewModel } from '@ft/core/views/bay/bayView';
import type { LaneId } from '@ft/core/rig/ids';
import type { Frame, JackPlace, Point } from './bay-geometry';
import { BAY, BAY_HEIGHT, columnX, rowY } from './bay-geometry';
import type { BayTheme } from './bay-theme';
import { CORD_COLOURS } from './cord-colours';
import { paintStrip } from './strip-painter';

/** What is being done on the sheet just now. */
export interface BayHands {
  readonly cursor?: JackPlace;
  /** The jack whose end was picked up. */
  readonly held?: JackPlace;
  /** Where the loose end is. */
  readonly loose?: Point;
  /** Lanes that belong to what is selected or hovered. */
  readonly lit: ReadonlySet<LaneId>;
}

/** How a cord is drawn: dashed while it is only planned, solid once it is plugged. */
interface Hanging {
  readonly colour: string;
  readonly isPlanned: boolean;
  /** On the floor, and not wanted. */
  readonly isStray?: boolean;
  readonly isBright?: boolean;
}

/** Draws the bays that lie in the frame. One object for one canvas; it keeps nothing between frames. */
export class BayPainter {
  constructor(
    private readonly context: CanvasRenderingContext2D,
    private readonly theme: BayTheme,
  ) {}

  paint(view: BaysView, places: ReadonlyMap<LaneId, JackPlace>, frame: Frame, hands: BayHands): void {
    const { context } = this;
    context.fillStyle = this.theme.sheet;
    context.fillRect(0, 0, frame.width, frame.height);
    context.save();
    context.translate(-frame.x, -frame.y);
    const first = Math.max(0, Math.floor(frame.y / BAY_HEIGHT));
    const last = Math.min(view.bays.length - 1, Math.floor((frame.y + frame.height) / BAY_HEIGHT));
    for (let bay = first; bay <= last; bay++) {
      const it = view.bays[bay];
      if (it !== undefined) this.bay(it, bay, frame, hands);
    }
    for (const cord of view.cords) this.cord(cord, places, frame, hands);
    if (hands.held !== undefined && hands.loose !== undefined)
      this.hang(hands.held, hands.loose, { colour: this.theme.focus, isPlanned: true });
    if (hands.cursor !== undefined) this.ring(hands.cursor);
    context.restore();
  }

  private bay(it: BayViewModel, index: number, frame: Frame, hands: BayHands): void {
    const { context, theme } = this;
    const top = index * BAY_HEIGHT;
    const width = BAY.left * 2 + it.columns.length * BAY.pitch;
    const body = BAY_HEIGHT - BAY.title - BAY.gap;
    context.fillStyle = theme.ink;
    context.font = '600 13px "Inter Variable", sans-serif';
    context.textBaseline = 'middle';
    context.textAlign = 'left';
    // The name stays in sight while the bay is scrolled sideways.
    const nameX = Math.min(Math.max(BAY.left, frame.x + BAY.left), width);
    context.fillText(it.name, nameX, top + BAY.title / 2 + 2);
    const name = context.measureText(it.name).width;
    context.fillStyle = theme.quiet;
    context.font = '12px "Inter Variable", sans-serif';
    context.fillText(it.room, nameX + name + 10, top + BAY.title / 2 + 2);
    context.fillStyle = theme.ground;
    context.fillRect(4, top + BAY.title, width - 8, body);
    paintStrip(this.context, theme, { bay: it, row: 'upper', top: top + BAY.title }, frame);
    const under = top + BAY.title + BAY.strip + BAY.jackRow * 2 + BAY.between;
    paintStrip(this.context, theme, { bay: it, row: 'lower', top: under }, frame);
    const from = Math.max(1, Math.floor((frame.x - BAY.left) / BAY.pitch));
    const to = Math.min(it.columns.length, Math.ceil((frame.x + frame.width - BAY.left) / BAY.pitch) + 1);
    for (let n = from; n <= to; n++) {
      const column = it.columns[n - 1];
      if (column !== undefined) this.column(column, index, hands);
    }
  }

  private column(column: BayColumnView, bay: number, hands: BayHands): void {
    const x = columnX(column.number);
    this.stitch(column, x, rowY(bay, 'upper') + BAY.radius + 2, rowY(bay, 'lower') - BAY.radius - 2);
    this.jack(column.upper, { x, y: rowY(bay, 'upper') }, hands);
    this.jack(column.lower, { x, y: rowY(bay, 'lower') }, hands);
    const { context, theme } = this;
    if (column.number % 2 === 0) return;
    context.fillStyle = theme.quiet;
    context.font = '8px "JetBrains Mono", monospace';
    context.textAlign = 'left';
    context.fillText(String(column.number), x + 6, (rowY(bay, 'upper') + rowY(bay, 'lower')) / 2);
  }

  /**
   * A normal is a stitch between the rows: two threads for a full one, one for a half, a bar where all
   * faces are joined. Where a plug holds it open, its ends stand apart.
   */
  private stitch({ normalling, closed, opens }: BayColumnView, x: number, top: number, bottom: number): void {
    if (normalling === 'none') return;
    const { context, theme } = this;
    context.strokeStyle = closed ? theme.thread : theme.quiet;
    context.lineWidth = normalling === 'parallel' ? 4 : 1.4;
    const shifts = normalling === 'full' ? [-2.5, 2.5] : [0];
    const middle = (top + bottom) / 2;
    context.beginPath();
    for (const shift of shifts) {
      if (closed) {
        context.moveTo(x + shift, top);
        context.lineTo(x + shift, bottom);
      } else {
        // The end at the destination swings aside.
        const away = opens === 'lower' ? 1 : -1;
        context.moveTo(x + shift, away > 0 ? top : bottom);
        context.lineTo(x + shift, middle - away * 2);
        context.moveTo(x + shift, away > 0 ? bottom : top);
        context.lineTo(x + shift + 4, middle + away * 2);
      }
    }
    context.stroke();
  }

  private jack(jack: BayJack, { x, y }: Point, { lit }: BayHands): void {
    const { context, theme } = this;
    context.beginPath();
    // Sources are round, destinations are squares with soft corners.
    if (jack.direction === 'out') context.arc(x, y, BAY.radius, 0, Math.PI * 2);
    else context.roundRect(x - BAY.radius, y - BAY.radius, BAY.radius * 2, BAY.radius * 2, 3);
    context.fillStyle = lit.has(jack.lane) ? theme.select : theme.sheet;
    context.fill();
    context.lineWidth = jack.thread === undefined ? 1 : 2;
    context.strokeStyle = jack.thread === undefined ? theme.line : theme.thread;
    if (jack.behind === '' && jack.thread === undefined) context.setLineDash([2, 2]);
    context.stroke();
    context.setLineDash([]);
    context.beginPath();
    context.arc(x, y, jack.cord === undefined ? 2 : 4, 0, Math.PI * 2);
    context.fillStyle = jack.cord === undefined ? theme.line : theme.ink;
    context.fill();
    if (jack.faulty === true) this.bar({ x, y });
  }

  private cord(cord: BayCord, places: ReadonlyMap<LaneId, JackPlace>, frame: Frame, { lit }: BayHands): void {
    const [from, to] = [places.get(cord.from), places.get(cord.to)];
    const colour = CORD_COLOURS[cord.colour.toLowerCase()] ?? this.theme.thread;
    const look: Hanging = {
      colour,
      isPlanned: !cord.plugged,
      isStray: !cord.wanted,
      isBright: lit.has(cord.from) || lit.has(cord.to),
    };
    if (from !== undefined && to !== undefined) {
      const [top, bottom] = [Math.min(from.y, to.y), Math.max(from.y, to.y) + 60];
      if (bottom < frame.y || top > frame.y + frame.height) return;
      this.hang(from, to, look);
      return;
    }
    const end = from ?? to;
    // The other end is on no bay: the thread runs off to the side.
    if (end !== undefined) this.hang(end, { x: end.x + 14, y: end.y + 22 }, look);
  }

  /** A thread that hangs between two points. One the scene does not want is thin and ends in a cross. */
  private hang(a: Point, b: Point, { colour, isPlanned, isStray, isBright }: Hanging): void {
    const { context } = this;
    const sag = 18 + Math.min(60, Math.hypot(a.x - b.x, a.y - b.y) * 0.14);
    context.beginPath();
    context.moveTo(a.x, a.y);
    context.bezierCurveTo(a.x, a.y + sag, b.x, b.y + sag, b.x, b.y);
    context.strokeStyle = colour;
    context.lineWidth = isBright ? 4 : isStray === true ? 1.5 : 2.5;
    context.setLineDash(isPlanned ? [6, 4] : []);
    context.globalAlpha = isBright ? 1 : 0.85;
    context.stroke();
    context.globalAlpha = 1;
    context.setLineDash([]);
    if (isStray === true) for (const end of [a, b]) this.cross(end);
  }

  /** A jack that does not work is barred. */
  private bar({ x, y }: Point): void {
    const { context, theme } = this;
    context.beginPath();
    context.moveTo(x - BAY.radius - 3, y + BAY.radius + 3);
    context.lineTo(x + BAY.radius + 3, y - BAY.radius - 3);
    context.strokeStyle = theme.ink;
    context.lineWidth = 2.5;
    context.stroke();
  }

  private cross({ x, y }: Point): void {
    const { context, theme } = this;
    const arm = BAY.radius - 2;
    context.beginPath();
    context.moveTo(x - arm, y - arm);
    context.lineTo(x + arm, y + arm);
    context.moveTo(x + arm, y - arm);
    context.lineTo(x - arm, y + arm);
    context.strokeStyle = theme.ink;
    context.lineWidth = 1.5;
    context.stroke();
  }

  private ring({ x, y }: Point): void {
    const { context, theme } = this;
    context.beginPath();
    context.arc(x, y, BAY.radius + 4, 0, Math.PI * 2);
    context.strokeStyle = theme.focus;
    context.lineWidth = 2;
    context.stroke();
  }
}
