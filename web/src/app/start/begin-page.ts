import type { ElementRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal, viewChild } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Subscription } from 'rxjs';
import * as z from 'zod';
import { typeForms } from '@ft/core/rig/paramFields';
import { nameSchema } from '@ft/core/rig/rigSchema';
import { answersSchema } from '@ft/core/starters/answersSchema';
import type { Answers, Ask, Starter } from '@ft/core/starters/starter';
import { usualAnswers } from '@ft/core/starters/starter';
import { STARTERS } from '@ft/core/starters/starters';
import { Api, apiErrorOf } from '../state/api.service';
import { jobProgress } from '../state/job-progress';
import { newId } from '../state/new-id';
import { Field } from '../ui/form/field';
import { focusField } from '../ui/form/focus-field';
import type { FormField } from '../ui/form/form-field';
import { SchemaForm } from '../ui/form/schema-form';

/** A room to choose: a starter, or nothing at all. */
interface Room {
  readonly id: string;
  readonly name: string;
  readonly what: string;
  readonly starter?: Starter;
}

const EMPTY: Room = {
  id: 'empty',
  name: 'An empty room',
  what: 'Nothing in it yet: rooms, devices, bays and wiring are entered one by one, or pasted as lists.',
};

const ROOMS: readonly Room[] = [
  ...STARTERS.map((starter) => ({ id: starter.id, name: starter.name, what: starter.what, starter })),
  EMPTY,
];

const TITLES = new Map(typeForms().map(({ type, title }) => [type, title]));

const NAME: FormField = { key: 'name', label: 'Name of the studio', kind: 'text', widthRem: 16 };

const fieldOf = (ask: Ask): FormField =>
  ask.kind === 'switch'
    ? { key: ask.key, label: ask.label, kind: 'switch' }
    : {
        ...{ key: ask.key, label: ask.label, kind: 'figure' },
        unit: `${String(ask.least)} to ${String(ask.most)}`,
      };

/** A device of the plan as a line: alike ones together. */
interface PlannedLine {
  readonly names: string;
  readonly kind: string;
  readonly isAsked: boolean;
}

/** Begins a rig: one of six generic rooms asked in a few numbers, or an empty one. */
@Component({
  selector: 'ft-begin-page',
  imports: [Field, RouterLink],
  templateUrl: './begin-page.html',
  styleUrl: './begin-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BeginPage {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  private readonly asking = viewChild<ElementRef<HTMLElement>>('asking');
  protected readonly rooms = ROOMS;
  protected readonly chosen = signal<Room>(ROOMS[0] ?? EMPTY);
  protected readonly busy = signal('');
  protected readonly trouble = signal<readonly string[]>([]);
  private running = new Subscription();

  /** The name stays when another room is looked at. */
  protected readonly naming = new SchemaForm([NAME], z.object({ name: nameSchema }));
  protected readonly form = computed(() => {
    const { starter } = this.chosen();
    return (
      starter && new SchemaForm(starter.asks.map(fieldOf), answersSchema(starter), usualAnswers(starter))
    );
  });
  protected readonly asks = computed(() => this.chosen().starter?.asks ?? []);

  /** What will stand in it, as far as the numbers fit. */
  protected readonly planned = computed(() => {
    const [starter, form] = [this.chosen().starter, this.form()];
    if (starter === undefined || form === undefined) return undefined;
    const answers = answersSchema(starter).safeParse(
      Object.fromEntries(starter.asks.map(({ key }) => [key, form.valueAt(key)])),
    );
    if (!answers.success) return undefined;
    const plan = starter.plan(answers.data);
    return { devices: linesOf(plan.devices), looms: plan.looms.length, lines: plan.lines };
  });

  protected choose(room: Room): void {
    this.chosen.set(room);
    this.trouble.set([]);
  }

  protected begin(): void {
    const named = this.naming.read();
    const answers: Answers | undefined = this.form()?.read();
    const element = this.asking()?.nativeElement;
    if (element !== undefined && named === undefined) focusField(element, 'name');
    else if (element !== undefined && this.form() !== undefined && answers === undefined)
      focusField(element, this.form()?.firstProblem());
    else if (named !== undefined) this.make(named.name, answers);
  }

  protected cancel(): void {
    this.running.unsubscribe();
    this.busy.set('');
  }

  private make(name: string, answers: Answers | undefined): void {
    const { id } = this.chosen();
    const job = newId();
    const room = answers && { starter: id, answers: answers as Record<string, number | boolean> };
    this.busy.set('Making the room …');
    this.trouble.set([]);
    this.running = new Subscription();
    this.running.add(
      jobProgress(this.api, job).subscribe((step) => {
        if (step !== '') this.busy.set(step);
      }),
    );
    this.running.add(
      this.api.begin(name, room, job).subscribe({
        next: (made) => {
          this.enter(made, room === undefined ? 'rig' : 'track');
        },
        error: (error: unknown) => {
          this.fail(error);
        },
      }),
    );
  }

  /** A room that runs opens at its lines, an empty one at its rig. */
  private enter(id: string, stage: string): void {
    this.api.summary(id).subscribe({
      next: ({ sessions: [session] }) => {
        this.cancel();
        if (session !== undefined)
          void this.router.navigate(['/studio', id, session.id, session.scene, stage]);
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  private fail(error: unknown): void {
    this.cancel();
    const { message, problems = [] } = apiErrorOf(error);
    this.trouble.set([message, ...problems]);
  }
}

type Planned = ReturnType<Starter['plan']>['devices'];

/** Devices of one kind on one line, in the order of the plan. */
function linesOf(devices: Planned): readonly PlannedLine[] {
  const byKind = new Map<string, { names: string[]; isAsked: boolean }>();
  for (const { device, isAsked } of devices) {
    const key = `${device.type} ${String(isAsked)}`;
    const line = byKind.get(key) ?? { names: [], isAsked };
    line.names.push(device.name);
    byKind.set(key, line);
  }
  return [...byKind].map(([key, { names, isAsked }]) => ({
    names:
      names.length > 4
        ? `${names.slice(0, 2).join(', ')} … ${names.at(-1) ?? ''} (${String(names.length)})`
        : names.join(', '),
    kind: TITLES.get(key.split(' ')[0] ?? '') ?? '',
    isAsked,
  }));
}
