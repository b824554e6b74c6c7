import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import type { WorkStep } from '@ft/core/views/bay/workList';
import type { RoomId } from '@ft/core/rig/ids';
import { roomsInOrder } from '@ft/core/rig/roomsInOrder';
import { askedAbout } from '../../state/asked';
import { PlanActions } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { Countdown } from './countdown';
import { DeadJackBar } from './dead-jack-bar';
import { StepCard } from './step-card';
import { Changes } from '../../state/changes';
import { AnswerState } from '../../ui/answer';
import { Pick } from '../../ui/form/pick';
import { PartPage } from '../../shell/part';

/** Steps that follow one another in one room, or that belong to none. */
interface Stretch {
  readonly heading: string;
  readonly steps: readonly WorkStep[];
}

/** What is done in every room at once has a heading of its own. */
const HEADINGS: Readonly<Partial<Record<WorkStep['kind'], string>>> = {
  mute: 'Before a line is touched',
  'power-off': 'Before a line is touched',
  drain: 'Before a line is touched',
  open: 'When all is in its place',
};

function stretches(steps: readonly WorkStep[]): readonly Stretch[] {
  const found: { heading: string; steps: WorkStep[] }[] = [];
  for (const step of steps) {
    const heading = HEADINGS[step.kind] ?? step.room;
    const last = found.at(-1);
    if (last?.heading === heading) last.steps.push(step);
    else found.push({ heading, steps: [step] });
  }
  return found;
}

/** The steps from what is on the floor to the scene: for a tablet at the bay, in the dark. */
@Component({
  selector: 'ft-work-list-page',
  imports: [PartPage, AnswerState, DeadJackBar, Pick, StepCard],
  providers: [Countdown],
  templateUrl: './work-list-page.html',
  styleUrl: './work-list-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WorkListPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly countdown = inject(Countdown);
  private readonly host: ElementRef = inject(ElementRef);
  private hasTicked = false;
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly isTeardown = signal(false);
  /** Where the walk goes on from: the room of the last tick, or where somebody says that they are. */
  protected readonly here = signal<RoomId | undefined>(undefined);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  protected readonly rooms = computed(() => [
    { value: undefined, name: 'the control room' },
    ...roomsInOrder(this.studio()?.rig ?? { rooms: [], devices: [] }).map(({ id, name }) => ({
      ...{ value: id, name },
    })),
  ]);
  protected readonly sceneName = computed(() => this.found()?.scene.name ?? '');
  protected readonly list = askedAbout(
    computed(() => ({ isTeardown: this.isTeardown(), here: this.here() })),
    (api, { isTeardown, here }) => api.workList(isTeardown, here),
  );
  protected readonly steps = computed(() => this.list()?.steps ?? []);
  protected readonly rises = computed(() => this.list()?.rises ?? []);
  protected readonly stretches = computed(() => stretches(this.steps()));
  /** The most steps this page has seen on the way to its target: the whole of the bar. */
  private readonly most = signal(0);
  protected readonly total = computed(() => Math.max(this.most(), this.steps().length));
  protected readonly done = computed(() => this.total() - this.steps().length);
  /** What is on the floor, or on its way there. */
  protected readonly standing = computed(() => {
    const list = this.list();
    if (list === undefined) return '';
    const { onFloor, target, steps } = list;
    if (onFloor === undefined)
      return this.isTeardown() && this.done() > 0
        ? 'on the way to all normals'
        : 'no scene is on the floor yet';
    return steps.length > 0 && onFloor === target
      ? 'on its way to the floor'
      : `last on the floor: ${onFloor}`;
  });
  /** The step of which somebody said that it cannot be done. */
  protected readonly stuckAt = signal<WorkStep | undefined>(undefined);

  constructor() {
    effect(() => {
      const { length } = this.steps();
      this.most.update((most) => Math.max(most, length));
    });
    // A ticked step is gone, and the focus with it: whoever works by keyboard goes on at the next one.
    effect(() => {
      this.steps();
      setTimeout(() => {
        if (this.hasTicked && document.activeElement === document.body) this.focusFirst();
        this.hasTicked = false;
      });
    });
    // The wait begins when nothing is left to switch off, on whichever device that was ticked.
    effect(() => {
      const kinds = this.steps().map(({ kind }) => kind);
      this.countdown.follow(kinds.includes('drain') && !kinds.includes('power-off'), this.waitS());
    });
  }

  private readonly waitS = computed(() => this.steps().find(({ kind }) => kind === 'drain')?.waitS ?? 0);

  private focusFirst(): void {
    (this.host.nativeElement as HTMLElement).querySelector<HTMLElement>('.tick:not(:disabled)')?.focus();
  }

  protected aim(isTeardown: boolean): void {
    this.isTeardown.set(isTeardown);
    this.most.set(0);
    this.stuckAt.set(undefined);
  }

  protected async tick(step: WorkStep): Promise<void> {
    const isTeardown = this.isTeardown();
    const done = await this.changes.worked('Tick the step', (api) =>
      api.tickStep(step.id, isTeardown, new Date().toISOString()),
    );
    if (!this.changes.take(done)) return;
    this.hasTicked = true;
    if (step.roomId !== undefined && step.from !== undefined) this.here.set(step.roomId);
  }

  protected show(step: WorkStep): void {
    const jack = step.to ?? step.from;
    if (jack !== undefined)
      this.store.dispatch(PlanActions.select({ ref: { kind: 'lane', id: jack.lane }, quietly: true }));
  }

  protected async mark(): Promise<void> {
    const isTeardown = this.isTeardown();
    const name = this.list()?.target ?? '';
    await this.changes.work(`${name} is on the floor`, (api) =>
      api.markOnFloor(isTeardown, new Date().toISOString()),
    );
  }
}
