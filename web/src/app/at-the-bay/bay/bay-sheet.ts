import type { BaysView } from '@ft/core/views/bay/bayView';
import type { LaneId } from '@ft/core/rig/ids';
import type { JackPlace } from './bay-geometry';
import type { BayHands } from './bay-painter';
import { BayPainter } from './bay-painter';
import { themeOf } from './bay-theme';

/** A canvas that stays in place while the sheet scrolls behind it. */
interface Sheet {
  readonly canvas: HTMLCanvasElement;
  readonly scroller: HTMLElement;
  readonly zoom: number;
}

/** Gives the canvas as many dots as its window has. */
function fit(canvas: HTMLCanvasElement, width: number, height: number, dots: number): void {
  if (canvas.width === width * dots && canvas.height === height * dots) return;
  canvas.width = width * dots;
  canvas.height = height * dots;
  canvas.style.width = `${String(width)}px`;
  canvas.style.height = `${String(height)}px`;
}

/** Draws the part of the sheet that the scroller shows. */
export function paintSheet(
  { canvas, scroller, zoom }: Sheet,
  view: BaysView,
  places: ReadonlyMap<LaneId, JackPlace>,
  hands: BayHands,
): void {
  const context = canvas.getContext('2d');
  if (context === null) return;
  const [width, height, dots] = [scroller.clientWidth, scroller.clientHeight, window.devicePixelRatio];
  fit(canvas, width, height, dots);
  context.setTransform(dots * zoom, 0, 0, dots * zoom, 0, 0);
  const frame = {
    x: scroller.scrollLeft / zoom,
    y: scroller.scrollTop / zoom,
    width: width / zoom,
    height: height / zoom,
  };
  new BayPainter(context, themeOf(canvas)).paint(view, places, frame, hands);
}
