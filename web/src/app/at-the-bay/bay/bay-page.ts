import type { ElementRef, OnDestroy } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { Store } from '@ngrx/store';
import type { BayJack, BaysView } from '@ft/core/views/bay/bayView';
import { asked, askedAbout } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import type { JackPlace, Point } from './bay-geometry';
import { BAY_HEIGHT, jackAt, jackPlaces, scrollToShow, sheetSize, stepFrom } from './bay-geometry';
import { paintSheet } from './bay-sheet';
import { JackFaults } from './jack-faults';
import { labelChange } from './label-change';
import { litLanes } from './lit-lanes';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { PartPage } from '../../shell/part';

const NOTHING: BaysView = { bays: [], cords: [] };
const ZOOMS = [0.7, 0.85, 1, 1.25, 1.6] as const;
type ArrowKey = Parameters<typeof stepFrom>[2];
const isArrow = (key: string): key is ArrowKey => key.startsWith('Arrow');

/**
 * The bays as mounted. Only what is seen is drawn, on one canvas that stays in place while the sheet
 * scrolls under it, so that twenty bays move as smoothly as one.
 */
@Component({
  selector: 'ft-bay-page',
  imports: [AnswerState, Entry, PartPage],
  templateUrl: './bay-page.html',
  styleUrl: './bay-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BayPage implements OnDestroy {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly faults = inject(JackFaults);
  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly scroller = viewChild<ElementRef<HTMLElement>>('scroller');

  protected readonly bays = asked((api) => api.bays());
  protected readonly view = computed(() => this.bays() ?? NOTHING);
  private readonly places = computed(() => jackPlaces(this.view().bays));
  protected readonly zoomStep = signal(2);
  private readonly zoom = computed(() => ZOOMS[this.zoomStep()] ?? 1);
  protected readonly size = computed(() => {
    const { width, height } = sheetSize(this.view().bays);
    return { width: width * this.zoom(), height: height * this.zoom() };
  });
  /** Where the keyboard stands, and where the pointer is. */
  protected readonly cursor = signal<JackPlace | undefined>(undefined);
  protected readonly held = signal<JackPlace | undefined>(undefined);
  private readonly loose = signal<Point | undefined>(undefined);
  protected readonly jack = computed(() => this.jackOf(this.cursor()));
  protected readonly info = askedAbout(this.jack, (api, jack) => api.jack(jack.lane));
  private readonly lit = computed(() => litLanes(this.view(), this.jack()));

  private frame = 0;
  private readonly observers: { disconnect(): void }[] = [];

  constructor() {
    effect(() => {
      this.view();
      this.places();
      this.cursor();
      this.held();
      this.loose();
      this.lit();
      this.zoom();
      this.draw();
    });
    effect(() => {
      const scroller = this.scroller()?.nativeElement;
      if (scroller === undefined || typeof ResizeObserver === 'undefined') return;
      const resized = new ResizeObserver(() => {
        this.draw();
      });
      resized.observe(scroller);
      const themed = new MutationObserver(() => {
        this.draw();
      });
      themed.observe(document.documentElement, { attributeFilter: ['data-theme'] });
      this.observers.push(resized, themed);
    });
  }

  ngOnDestroy(): void {
    cancelAnimationFrame(this.frame);
    for (const observer of this.observers) observer.disconnect();
  }

  /** Draws in the next frame, once however often it is asked. */
  protected draw(): void {
    cancelAnimationFrame(this.frame);
    this.frame = requestAnimationFrame(() => {
      this.paint();
    });
  }

  private paint(): void {
    const [canvas, scroller] = [this.canvas()?.nativeElement, this.scroller()?.nativeElement];
    if (canvas === undefined || scroller === undefined) return;
    const [cursor, held, loose] = [this.cursor(), this.held(), this.loose()];
    paintSheet({ canvas, scroller, zoom: this.zoom() }, this.view(), this.places(), {
      lit: this.lit(),
      ...(cursor && { cursor }),
      ...(held && { held }),
      ...(loose && { loose }),
    });
  }

  protected onMove(event: PointerEvent): void {
    const point = this.pointOf(event);
    const place = jackAt(this.view().bays, point);
    if (this.held() !== undefined) this.loose.set(point);
    if (place !== undefined && !this.isAt(place)) this.cursor.set(place);
  }

  /** A finger that comes down may be about to scroll, so it takes hold only when it taps. */
  protected onDown(event: PointerEvent): void {
    if (event.pointerType !== 'touch') this.takeOrPlug(event);
  }

  protected onTap(event: MouseEvent): void {
    if ('pointerType' in event && event.pointerType === 'touch') this.takeOrPlug(event);
  }

  /** A drag ends on another jack; a click leaves the end in the hand for the next one. */
  protected onUp(event: PointerEvent): void {
    const [place, held] = [jackAt(this.view().bays, this.pointOf(event)), this.held()];
    if (place !== undefined && held !== undefined && (place.x !== held.x || place.y !== held.y))
      void this.putDown(place);
  }

  protected onKey(event: KeyboardEvent): void {
    const at = this.cursor() ?? [...this.places().values()][0];
    if (at === undefined) return;
    if (isArrow(event.key)) {
      const next = stepFrom(this.view().bays, at, event.key);
      this.cursor.set(next);
      if (this.held() !== undefined) this.loose.set(next);
      this.bringIntoView(next);
    } else if (event.key === 'Enter' || event.key === ' ') {
      if (this.held() === undefined) this.pickUp(at);
      else void this.putDown(at);
    } else if (event.key === 'Escape') this.drop();
    else if (event.key === 'Delete' || event.key === 'Backspace') void this.pull();
    else return;
    event.preventDefault();
  }

  protected async pull(): Promise<void> {
    const jack = this.jack();
    if (jack === undefined) return;
    this.changes.take(await this.changes.worked('Pull the cord', (api) => api.pull(jack.lane)));
  }

  protected drop(): void {
    this.held.set(undefined);
    this.loose.set(undefined);
  }

  protected zoomBy(step: number): void {
    this.zoomStep.update((now) => Math.max(0, Math.min(ZOOMS.length - 1, now + step)));
  }

  /** Writes the label strip at the jack under the cursor. */
  protected label(text: string): void {
    const [place, jack] = [this.cursor(), this.jack()];
    const bay = place && this.view().bays[place.bay];
    const change = bay && jack && labelChange(bay, place, jack, text);
    if (change !== undefined) this.changes.make(change.label, change.edits);
  }

  protected jumpTo(bay: number): void {
    this.scroller()?.nativeElement.scrollTo({ top: bay * BAY_HEIGHT * this.zoom() });
  }

  private takeOrPlug(event: MouseEvent): void {
    const place = jackAt(this.view().bays, this.pointOf(event));
    if (place === undefined) return;
    this.cursor.set(place);
    if (this.held() === undefined) this.pickUp(place);
    else void this.putDown(place);
  }

  private pickUp(place: JackPlace): void {
    this.held.set(place);
    this.loose.set(place);
    const jack = this.jackOf(place);
    if (jack !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: jack.lane }, quietly: true }));
  }

  private async putDown(place: JackPlace): Promise<void> {
    const held = this.held();
    const [one, other] = [this.jackOf(held), this.jackOf(place)];
    this.drop();
    if (held === undefined || one === undefined || other === undefined || one.lane === other.lane) return;
    this.changes.take(await this.changes.worked('Plug the cord', (api) => api.plug(one.lane, other.lane)));
  }

  private jackOf(place: JackPlace | undefined): BayJack | undefined {
    return place && this.view().bays[place.bay]?.columns[place.column - 1]?.[place.row];
  }

  private isAt(place: JackPlace): boolean {
    const at = this.cursor();
    return at?.bay === place.bay && at.column === place.column && at.row === place.row;
  }

  private pointOf(event: MouseEvent): Point {
    const scroller = this.scroller()?.nativeElement;
    const zoom = this.zoom();
    return {
      x: (event.offsetX + (scroller?.scrollLeft ?? 0)) / zoom,
      y: (event.offsetY + (scroller?.scrollTop ?? 0)) / zoom,
    };
  }

  private bringIntoView({ x, y }: Point): void {
    const scroller = this.scroller()?.nativeElement;
    if (scroller === undefined) return;
    scroller.scrollTo(scrollToShow({ x: x * this.zoom(), y: y * this.zoom() }, scroller));
  }
}
