import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { DraftActions, draftFeature } from '../../../state/draft.feature';
import { askedAbout } from '../../../state/asked';
import { liveControl } from '../../../ui/form/live-control';
import { Changes } from '../../../state/changes';
import { ThreadChanges } from './thread-changes';

const DRAFT = 'new-line';

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
  imports: [ReactiveFormsModule],
  template: `
    <form (submit)="$event.preventDefault(); add()">
      <label for="new-line">Add a line</label>
      <input
        id="new-line"
        type="text"
        autocomplete="off"
        placeholder="Source: microphone > stations"
        [formControl]="control"
        (keydown.escape)="type('')"
        aria-describedby="new-line-meaning"
      />
      <button type="submit">Add</button>
      <span id="new-line-meaning" class="meaning" aria-live="polite">
        @if (meaning(); as it) {
          @for (piece of it.pieces; track $index) {
            @if (piece.name !== undefined) {
              <span class="piece"
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
      </span>
    </form>
  `,
  styles: `
    form {
      display: flex;
      align-items: center;
      flex-wrap: wrap;
      gap: 0.5rem;
      padding: 0.5rem 0.75rem;
    }
    input {
      width: 24rem;
      max-width: 100%;
    }
    .meaning {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AddLine {
  private readonly store = inject(Store);
  private readonly all = inject(Changes);
  private readonly changes = inject(ThreadChanges);
  private readonly drafts = this.store.selectSignal(draftFeature.selectTexts);

  protected readonly words = WORDS;
  protected readonly text = signal(this.drafts()[DRAFT] ?? '');
  protected readonly control = liveControl(this.text, (text) => {
    this.type(text);
  });
  protected readonly meaning = askedAbout(
    computed(() => (this.text().trim() === '' ? undefined : this.text())),
    (api, text) => api.typed(text),
  );

  protected type(text: string): void {
    this.text.set(text);
    this.store.dispatch(
      text === '' ? DraftActions.drop({ key: DRAFT }) : DraftActions.keep({ key: DRAFT, text }),
    );
  }

  /** Asks again what the text means: who types fast presses Enter before the answer to the last letter is here. */
  protected async add(): Promise<void> {
    const text = this.text();
    if (text.trim() === '') return;
    const read = await this.all.worked('Add a line', (api) => api.typed(text));
    if (read?.thread === undefined || this.text() !== text) return;
    this.type('');
    await this.changes.add(read.thread, read.second);
  }
}
