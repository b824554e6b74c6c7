import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { concatMap, from, last, switchMap } from 'rxjs';
import type { SetAside } from '@ft/contract/status';
import { Api, apiErrorOf } from '../state/api.service';

/** Says that the data file was damaged and is kept aside, what is lost, and offers the newest good backup. */
@Component({
  selector: 'ft-set-aside-panel',
  imports: [DatePipe],
  template: `
    @if (note(); as it) {
      <section role="alert">
        <p>
          <span class="error">▲</span> <strong>The data file was damaged</strong> when the program started on
          {{ it.at | date: 'yyyy-MM-dd HH:mm' }}. It was set aside, whole, in
          <span class="num">{{ it.folder }}</span>; a new one was begun.
        </p>
        @if (it.backup; as backup) {
          <p>
            The newest backup that is whole is of
            <strong class="num">{{ backup.at | date: 'yyyy-MM-dd HH:mm' }}</strong>.
            @if (it.lost === null) {
              What was changed after it cannot be told from the damaged file.
            } @else if (it.lost.length === 0) {
              Nothing was changed after it.
            } @else {
              Changed after it, and not in it:
              @for (loss of it.lost; track loss.studio) {
                {{ loss.studio }}, {{ loss.changes }} {{ loss.changes === 1 ? 'change' : 'changes'
                }}{{ $last ? '.' : '; ' }}
              }
            }
          </p>
        } @else {
          <p>There is no backup that is whole.</p>
        }
        <p class="presses">
          @if (it.backup !== null) {
            <button type="button" class="main" [disabled]="busy()" (click)="bringBack(it)">
              Bring the backup back
            </button>
          }
          <button type="button" (click)="dismiss()">Put this away</button>
          <span role="status">{{ said() }}</span>
        </p>
      </section>
    }
  `,
  styles: `
    section {
      border: 1px solid var(--ft-error);
      border-radius: 4px;
      padding: 0.6rem 0.8rem;
    }
    p {
      margin: 0.2rem 0;
      overflow-wrap: anywhere;
    }
    .presses {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
    }
    .error {
      margin-right: 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SetAsidePanel {
  readonly broughtBack = output();
  private readonly api = inject(Api);
  protected readonly note = signal<SetAside | null>(null);
  protected readonly busy = signal(false);
  protected readonly said = signal('');

  constructor() {
    this.api.status().subscribe({
      next: ({ setAside }) => {
        this.note.set(setAside);
      },
      error: () => {
        this.note.set(null);
      },
    });
  }

  protected bringBack({ backup }: SetAside): void {
    if (backup === null) return;
    this.busy.set(true);
    this.api
      .backupContent(backup.name)
      .pipe(
        switchMap(({ studios }) => from(studios)),
        concatMap(({ id }) => this.api.bringBack(backup.name, id)),
        last(undefined, ''),
        switchMap(() => this.api.dismissSetAside()),
      )
      .subscribe({
        next: () => {
          this.note.set(null);
          this.broughtBack.emit();
        },
        error: (error: unknown) => {
          this.busy.set(false);
          this.said.set(apiErrorOf(error).message);
        },
      });
  }

  protected dismiss(): void {
    this.api.dismissSetAside().subscribe(() => {
      this.note.set(null);
    });
  }
}
