import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { askedAbout } from '../../../state/asked';
import { Changes } from '../../../state/changes';
import { typedDraft } from '../../../state/typed-draft';
import { TypedLine } from '../../../ui/form/typed-line';
import { ThreadChanges } from './thread-changes';

const WORDS = {
  source: 'source',
  microphone: 'microphone',
  output: 'from',
  insert: 'insert',
  pin: 'pinned',
  end: 'to',
} as const;

/** Adds a thread by typing its stations; what is understood so far stands beside what is typed. */
@Component({
  selector: 'ft-add-line',
  imports: [TypedLine],
  template: `
    <ft-typed-line
      key="new-line"
      label="Add a line"
      typical="Source: microphone > stations"
      [control]="draft.control"
      (entered)="add()"
      (cleared)="draft.type('')"
    >
      @if (meaning(); as it) {
        @for (piece of it.pieces; track $index) {
          @if (piece.name !== undefined) {
            <span
              ><span class="quiet">{{ words[piece.what ?? 'pin'] }}</span> {{ piece.name }}</span
            >
          }
        }
        @if (it.problem; as problem) {
          <span class="warning">◆ {{ problem }}</span>
        }
      } @else {
        <span class="quiet"
          >for example <span class="num">Drums: broadcast dynamic &gt; preamp 3 &gt; opto</span>, or
          <span class="num">out 3 &gt; opto &gt; in 3</span> for an insert</span
        >
      }
    </ft-typed-line>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddLine {
  private readonly all = inject(Changes);
  private readonly changes = inject(ThreadChanges);
  protected readonly words = WORDS;
  protected readonly draft = typedDraft('new-line');
  protected readonly meaning = askedAbout(
    computed(() => (this.draft.text().trim() === '' ? undefined : this.draft.text())),
    (api, text) => api.typed(text),
  );

  /** Asks again what the text means: who types fast presses Enter before the answer to the last letter is here. */
  protected async add(): Promise<void> {
    const text = this.draft.text();
    if (text.trim() === '') return;
    const read = await this.all.worked('Add a line', (api) => api.typed(text));
    if (read?.thread === undefined || this.draft.text() !== text) return;
    this.draft.type('');
    await this.changes.add(read.thread, read.second);
  }
}
