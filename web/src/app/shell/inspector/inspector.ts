import { editAdd, editRemove } from '@ft/core/edits/make';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { EntityRef } from '@ft/core/session/entityRef';
import { EDGE_WORDS } from '@ft/core/words/edgeWords';
import type { FindingView } from '@ft/core/views/findingView';
import { formatDb, formatLevel, formatMs, formatSamples } from '@ft/core/units/format';
import { DraftActions, draftFeature } from '../../state/draft.feature';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { TextArea } from '../../ui/form/text-area';
import { SettingField } from './setting-field';
import { TrackTrial } from './track-trial';

/** What a reader calls each kind of place. */
const PLACE_WORDS: Readonly<Record<EntityRef['kind'], string>> = {
  thread: 'line',
  lane: 'connector',
  station: 'unit',
  device: 'device',
  cord: 'cord',
  performer: 'performer',
  cue: 'cue',
  track: 'track',
};

/** What is selected: a finding or a hop of the strip, with the figures and what can be done about it. */
@Component({
  selector: 'ft-inspector',
  imports: [SettingField, TextArea, TrackTrial],
  templateUrl: './inspector.html',
  styleUrl: './inspector.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Inspector {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  protected readonly finding = this.store.selectSignal(planFeature.selectFinding);
  protected readonly hop = this.store.selectSignal(planFeature.selectCurrentHop);
  protected readonly strip = this.store.selectSignal(planFeature.selectStrip);
  private readonly hopIndex = this.store.selectSignal(planFeature.selectHop);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly drafts = this.store.selectSignal(draftFeature.selectTexts);
  protected readonly words = EDGE_WORDS;
  protected readonly placeWords = PLACE_WORDS;
  protected readonly level = formatLevel;
  protected readonly db = formatDb;

  private readonly inspects = this.store.selectSignal(planFeature.selectInspects);
  private readonly selection = this.store.selectSignal(planFeature.selectSelection);
  /** Somebody wants to turn the levels of the selected track on trial. */
  protected readonly isTrackTried = computed(() => this.inspects() && this.selection()?.kind === 'track');
  protected readonly hopPlace = computed(
    () => `${String(this.hopIndex() + 1)} of ${String(this.strip()?.hops.length ?? 0)}`,
  );
  /** The reason being typed for a waiver; it survives a reload like every other text. */
  protected readonly reason = linkedSignal(() => this.drafts()[this.waiverKey()] ?? '');

  protected delay(samples: number, ms: number): string {
    return `${formatMs(ms)} (${formatSamples(samples)} samples)`;
  }

  protected show(ref: EntityRef): void {
    this.store.dispatch(PlanActions.select({ ref }));
  }

  protected typeReason(text: string): void {
    this.store.dispatch(DraftActions.keep({ key: this.waiverKey(), text }));
  }

  protected waive(finding: FindingView): void {
    const session = this.place()?.session;
    const reason = this.reason().trim();
    if (session === undefined || reason === '') return;
    const edit = editAdd('waiver', { session }, { id: finding.key, reason });
    this.changes.make(`Waive: ${finding.title}`, [edit]);
    this.store.dispatch(DraftActions.drop({ key: this.waiverKey() }));
  }

  protected unwaive(finding: FindingView): void {
    const session = this.place()?.session;
    if (session === undefined) return;
    const edit = editRemove('waiver', { session }, finding.key);
    this.changes.make(`Take back the waiver: ${finding.title}`, [edit]);
  }

  protected close(): void {
    this.store.dispatch(PlanActions.clearSelection());
  }

  private waiverKey(): string {
    return `waiver:${this.finding()?.key ?? ''}`;
  }
}
