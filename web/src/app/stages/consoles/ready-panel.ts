import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { MadeReady } from '@ft/core/actions/consoles/madeReady';
import type { Remote } from 'comlink';
import type { DeviceId } from '@ft/core/rig/ids';
import { freeName } from '@ft/core/text/freeName';
import type { ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import type { PlannerApi } from '../../workers/planner-api';
import { Here } from '../../shell/here';
import { askedAbout } from '../../state/asked';
import { Changes } from '../../state/changes';
import { studioFeature } from '../../state/studio.feature';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { Tick } from '../../ui/form/tick';
import { SidePanel } from '../../ui/side-panel';
import { PlanPreview } from '../plan-preview';

interface Wish {
  readonly device: DeviceId;
  /** Lines that are left out. */
  readonly left: ReadonlySet<string>;
  readonly scene?: string;
}

async function madeIn(
  api: Remote<PlannerApi>,
  { device, left, ...own }: Wish,
): Promise<MadeReady | undefined> {
  const all = (await api.readyLines(device)) ?? [];
  return api.makeReady(device, { lines: all.filter((id) => !left.has(id)), ...own });
}

/** Lays the base of a console in one go, each line of it to be left out; and puts everything back at the end of the day. */
@Component({
  selector: 'ft-ready-panel',
  imports: [AnswerState, Entry, PlanPreview, SidePanel, Tick],
  template: `
    <ft-side-panel [title]="'Make ' + sheet().name + ' ready'" (closed)="closed.emit()">
      <div class="stack">
        <ft-answer [of]="made" what="how it is made ready" />
        @if (made(); as it) {
          <p class="quiet">
            {{
              it.plan.isFromNothing
                ? 'From nothing: every knob of it goes to its start first. Nothing sounds until you open what is listed last.'
                : 'Starting values; what is not named stays as it is.'
            }}
            Levels are common practice, no source.
          </p>
          <fieldset>
            <legend class="visually-hidden">What it sets</legend>
            @for (line of it.plan.lines; track line.id) {
              <ft-tick [label]="line.title" [isOn]="!left().has(line.id)" (ticked)="tick(line.id, $event)" />
              <p class="said quiet">{{ line.sentence }}</p>
              @if (line.left; as rest) {
                <p class="said"><span class="warning" aria-hidden="true">◆</span> {{ rest }}</p>
              }
            }
          </fieldset>
          <ft-tick label="In a scene of its own" [isOn]="isOwn()" (ticked)="isOwn.set($event)" />
          @if (isOwn()) {
            <ft-entry
              label="Its name"
              [widthRem]="16"
              [value]="name()"
              [refusal]="refusal"
              (entered)="typed.set($event)"
            />
          }
          <ft-plan-preview [plan]="it" action="Make ready" (done)="make()" />
          <h3>Opened last, by hand</h3>
          <ol>
            @for (open of it.plan.opens; track open.id) {
              <li>
                {{ open.title }}. <span class="quiet">{{ open.sentence }}</span>
              </li>
            }
          </ol>
        } @else if (made.waits() === false) {
          <p class="quiet">There is no usual way to make a device of this kind ready. It can be zeroed.</p>
        }
        <h3>At the end of the day</h3>
        <p>
          <button type="button" (click)="zero()">Zero {{ sheet().name }}</button>
          <span class="quiet">
            Everything back to its start; the present state is kept as a scene first.</span
          >
        </p>
      </div>
    </ft-side-panel>
  `,
  styleUrl: './panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadyPanel {
  readonly sheet = input.required<ChannelSheetView>();
  readonly closed = output();
  private readonly changes = inject(Changes);
  private readonly here = inject(Here);
  private readonly store = inject(Store);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  protected readonly left = signal<ReadonlySet<string>>(new Set());
  protected readonly isOwn = signal(true);
  protected readonly typed = signal<string | undefined>(undefined);

  private readonly taken = computed(
    () => new Set((this.found()?.session.scenes ?? []).map((scene) => scene.name.toLowerCase())),
  );
  protected readonly name = computed(
    () => this.typed() ?? freeName(`${this.sheet().name} ready`, this.taken()),
  );

  private readonly wish = computed((): Wish => {
    const { device } = this.sheet();
    return { device, left: this.left(), ...(this.isOwn() && { scene: this.name() }) };
  });
  protected readonly made = askedAbout(this.wish, madeIn);

  protected readonly refusal = (text: string): string | undefined => {
    if (text.trim() === '') return 'A scene needs a name.';
    return this.taken().has(text.trim().toLowerCase()) ? 'A scene of this session has that name.' : undefined;
  };

  protected tick(id: string, isOn: boolean): void {
    const left = new Set(this.left());
    if (isOn) left.delete(id);
    else left.add(id);
    this.left.set(left);
  }

  protected async make(): Promise<void> {
    const session = this.found()?.session.id;
    const wish = this.wish();
    const label = `${this.sheet().name} made ready${wish.scene === undefined ? '' : ` in ${wish.scene}`}`;
    // What is shown may still be of the name before; what is made is what stands in the fields.
    const made = await this.changes.worked(label, (api) => madeIn(api, wish));
    if (made === undefined) return;
    const { edits, scene } = made;
    this.changes.make(label, edits);
    this.closed.emit();
    if (session !== undefined && this.isOwn()) this.here.goToScene(session, scene);
  }

  protected async zero(): Promise<void> {
    const { device, name } = this.sheet();
    const label = `${name} zeroed`;
    const zeroed = await this.changes.worked(label, (api) => api.zeroConsole(device));
    if (zeroed === undefined) return;
    if (zeroed.knobs === 0) this.changes.say(`${name} is at its start already.`);
    else {
      this.changes.make(label, zeroed.edits);
      this.changes.say(`${name} is zeroed. What it was is in the scene “${zeroed.stored}”.`);
    }
    this.closed.emit();
  }
}
