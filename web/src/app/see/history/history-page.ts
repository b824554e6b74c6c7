import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { EMPTY } from 'rxjs';
import type { HistoryLine } from '@ft/contract/history';
import { answered } from '../../state/answered';
import { apiErrorOf } from '../../state/api.service';
import { StudioApi } from '../../state/studio-api.service';
import { authorId } from '../../state/author';
import { Changes } from '../../state/changes';
import { StudioActions } from '../../state/studio.actions';
import { studioFeature } from '../../state/studio.feature';
import { AnswerState } from '../../ui/answer';
import { PartPage } from '../../shell/part';

/** Everything that was changed, newest first; any change can be taken back while nothing builds on it. */
@Component({
  selector: 'ft-history-page',
  imports: [PartPage, AnswerState, DatePipe],
  template: `
    <ft-part of="history">
      <ng-container ngProjectAs="[head]">
        <span class="quiet">every change since the studio came here; undo works across reloads</span>
      </ng-container>

      <ft-answer [of]="newest" what="the history" />
      @if (entries(); as list) {
        @if (list.length === 0) {
          <p class="empty">
            Nothing has been changed yet. Each change will stand here with its time, and can be taken back.
          </p>
        } @else {
          <table class="sheet">
            <thead>
              <tr>
                <th scope="col" class="right narrow">Revision</th>
                <th scope="col" class="narrow">When</th>
                <th scope="col">Change</th>
                <th scope="col">By</th>
                <th scope="col"><span class="visually-hidden">Take back</span></th>
              </tr>
            </thead>
            <tbody>
              @for (entry of list; track entry.revision) {
                <tr>
                  <td class="right num">{{ entry.revision }}</td>
                  <td class="num">{{ entry.at | date: 'yyyy-MM-dd HH:mm:ss' }}</td>
                  <td>{{ entry.label }}</td>
                  <td class="quiet">
                    {{ entry.mine ? 'you' : (entry.tablet ?? 'this computer')
                    }}{{ entry.mine && entry.tablet !== undefined ? ', ' + entry.tablet : '' }}
                  </td>
                  <td>
                    @if (entry.undoes === undefined) {
                      <button
                        type="button"
                        (click)="takeBack(entry)"
                        [attr.aria-label]="'Take back: ' + entry.label"
                      >
                        Take back
                      </button>
                    }
                  </td>
                </tr>
              }
            </tbody>
          </table>
          @if (more()) {
            <button type="button" class="older" (click)="older()">Show older changes</button>
          }
        }
      }
    </ft-part>
  `,
  styles: `
    .narrow {
      width: 1%;
      padding-right: 1.2rem;
    }
    .older {
      margin: 0.5rem 0.75rem;
    }
    td.num {
      white-space: nowrap;
      padding-right: 1.2rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryPage {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly api = inject(StudioApi);
  private readonly studioId = this.store.selectSignal(studioFeature.selectStudioId);
  /** Older pages that were asked for. They do not change any more. */
  private readonly past = signal<readonly HistoryLine[]>([]);
  private readonly pastMore = signal<boolean | undefined>(undefined);
  protected readonly newest = answered(this.store.select(studioFeature.selectHistoryPlace), ({ studioId }) =>
    studioId === null ? EMPTY : this.api.history(studioId, authorId()),
  );
  protected readonly entries = computed(() => {
    const page = this.newest();
    if (page === undefined) return undefined;
    const oldest = page.entries.at(-1)?.revision ?? 0;
    return [...page.entries, ...this.past().filter(({ revision }) => revision < oldest)];
  });
  protected readonly more = computed(() => this.pastMore() ?? this.newest()?.more ?? false);

  protected older(): void {
    const [studioId, oldest] = [this.studioId(), this.entries()?.at(-1)?.revision];
    if (studioId === null || oldest === undefined) return;
    this.api.history(studioId, authorId(), oldest).subscribe({
      next: ({ entries, more }) => {
        // What the newest page has pushed out of itself meanwhile is among what is shown now.
        this.past.set([...(this.entries() ?? []), ...entries]);
        this.pastMore.set(more);
      },
      error: (error: unknown) => {
        this.changes.complain(apiErrorOf(error).message);
      },
    });
  }

  protected takeBack(entry: HistoryLine): void {
    this.store.dispatch(StudioActions.undo({ revision: entry.revision }));
  }
}
