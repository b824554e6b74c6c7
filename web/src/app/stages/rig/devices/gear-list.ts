import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { Store } from '@ngrx/store';
import { gearProblemLine } from '@ft/core/actions/rig/gearPlan';
import type { RoomId } from '@ft/core/rig/ids';
import { askedAbout } from '../../../state/asked';
import { studioFeature } from '../../../state/studio.feature';
import { AnswerState } from '../../../ui/answer';
import { Pick } from '../../../ui/form/pick';
import { TextArea } from '../../../ui/form/text-area';
import { Tick } from '../../../ui/form/tick';
import { RigChanges } from '../rig-changes';

/** While somebody types, the list is worked out this long after the last letter, ms. */
const SETTLED_MS = 150;

/** A room's gear as a typed or pasted list: what it will be is shown before it is made. */
@Component({
  selector: 'ft-gear-list',
  imports: [AnswerState, Pick, TextArea, Tick],
  templateUrl: './gear-list.html',
  styleUrl: './gear-list.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GearList {
  readonly made = output();
  private readonly changes = inject(RigChanges);
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly text = signal('');
  protected readonly rooms = computed(() =>
    (this.studio()?.rig.rooms ?? []).map(({ id, name }) => ({ value: id, name })),
  );
  protected readonly room = linkedSignal(() => this.rooms()[0]?.value ?? ('' as RoomId));

  /** A hook with nothing on it wants its usual cords; one that has some is somebody's own. */
  protected readonly withCords = linkedSignal(() => this.studio()?.rig.cords.length === 0);

  private readonly wish = computed(() =>
    this.text().trim() === ''
      ? undefined
      : { text: this.text(), room: this.room(), withCords: this.withCords() },
  );
  protected readonly plan = askedAbout(
    this.wish,
    (api, { text, room, withCords }) => api.gear(text, room, withCords),
    SETTLED_MS,
  );
  protected readonly ready = computed(() => {
    const plan = this.plan();
    return plan?.ok === true && plan.devices > 0 ? plan : undefined;
  });
  protected readonly problems = computed(() => {
    const plan = this.plan();
    return plan?.ok === false ? plan.problems.map(gearProblemLine) : [];
  });

  /** Makes what is shown: what was typed since is worked out first. */
  protected make(): void {
    const plan = this.ready();
    if (plan === undefined) return;
    const label = plan.devices === 1 ? 'one device' : `${String(plan.devices)} devices`;
    this.changes.change(`Add ${label} from a list`, plan.edits);
    this.text.set('');
    this.made.emit();
  }
}
