import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import type { Backup, BackupContent, Backups } from '@ft/contract/status';
import { Api, apiErrorOf } from '../state/api.service';
import { FileLink } from '../ui/file-link';
import { sizeText } from './size';

const KINDS: Readonly<Record<Backup['kind'], string>> = {
  daily: 'daily',
  asked: 'by hand',
  'before-upgrade': 'before an upgrade',
};

/** When the last backup was made, making one now, and bringing a studio of one back beside those that are here. */
@Component({
  selector: 'ft-backups-panel',
  imports: [DatePipe, FileLink],
  template: `
    @if (state(); as it) {
      <p>
        @if (last(); as newest) {
          <span [class.good]="it.trouble === null">{{ it.trouble === null ? '✓' : '' }}</span>
          Last backup <strong class="num">{{ newest.at | date: 'yyyy-MM-dd HH:mm' }}</strong>
          <span class="quiet num">{{ size(newest.bytes) }}</span>
        } @else {
          <span class="warning">◆</span> No backup yet. One is made every day the program runs.
        }
        <button type="button" (click)="make()" [disabled]="busy()">Back up now</button>
        @if (it.backups.length > 0) {
          <button type="button" (click)="isOpen.set(!isOpen())" [attr.aria-expanded]="isOpen()">
            Bring one back …
          </button>
        }
        <ft-file-link address="/api/archive">Export everything, history included</ft-file-link>
      </p>
      @if (it.trouble; as trouble) {
        <p><span class="warning">◆</span> {{ trouble }}</p>
      }
      @if (isOpen()) {
        <p class="quiet">
          A backup holds every studio with its history. What you bring back stands beside what is here, never
          over it. The last seven days and four weeks are kept.
        </p>
        <ul>
          @for (backup of it.backups; track backup.name) {
            <li>
              <button
                type="button"
                class="when num"
                (click)="look(backup)"
                [attr.aria-expanded]="looked() === backup.name"
              >
                {{ backup.at | date: 'yyyy-MM-dd HH:mm' }}
              </button>
              <span class="quiet num">{{ size(backup.bytes) }} · {{ kinds[backup.kind] }}</span>
              @if (looked() === backup.name) {
                @if (content(); as there) {
                  <ul class="content">
                    @for (studio of there.studios; track studio.id) {
                      <li>
                        <strong>{{ studio.name }}</strong>
                        <span class="quiet num"
                          >revision {{ studio.revision }} ·
                          {{ studio.changedAt | date: 'yyyy-MM-dd HH:mm' }}</span
                        >
                        <button
                          type="button"
                          [disabled]="busy()"
                          (click)="bringBack(backup, studio.id)"
                          [attr.aria-label]="'Bring back ' + studio.name"
                        >
                          Bring back
                        </button>
                      </li>
                    } @empty {
                      <li class="quiet">No studio was there then.</li>
                    }
                  </ul>
                } @else {
                  <span class="quiet" role="status">Looking into it …</span>
                }
              }
            </li>
          }
        </ul>
      }
    }
    <p role="status">{{ said() }}</p>
    @if (trouble() !== '') {
      <p role="alert"><span class="error">▲</span> {{ trouble() }}</p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.6rem;
      align-items: center;
      margin: 0.2rem 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      border-top: 1px solid var(--ft-line);
    }
    li {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem 0.8rem;
      align-items: center;
      padding: 0.3rem 0;
      border-bottom: 1px solid var(--ft-line);
    }
    .content {
      flex-basis: 100%;
      margin-left: 1.2rem;
      border: 0;
    }
    .content li:last-child {
      border: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupsPanel {
  /** A studio was brought back: the list of studios has one more. */
  readonly broughtBack = output();
  private readonly api = inject(Api);
  protected readonly state = signal<Backups | undefined>(undefined);
  protected readonly last = computed(() => this.state()?.backups[0]);
  protected readonly isOpen = signal(false);
  protected readonly looked = signal('');
  protected readonly content = signal<BackupContent | undefined>(undefined);
  protected readonly busy = signal(false);
  protected readonly said = signal('');
  protected readonly trouble = signal('');
  protected readonly kinds = KINDS;
  protected readonly size = sizeText;

  constructor() {
    this.api.backups().subscribe({
      next: (state) => {
        this.state.set(state);
      },
      // A tablet has no backups to make: the panel is then not there.
      error: () => {
        this.state.set(undefined);
      },
    });
  }

  protected make(): void {
    this.begin();
    this.api.makeBackup().subscribe({
      next: (state) => {
        this.state.set(state);
        this.done('Backed up, and looked over: the copy is whole.');
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  protected look(backup: Backup): void {
    const isOpen = this.looked() === backup.name;
    this.looked.set(isOpen ? '' : backup.name);
    this.content.set(undefined);
    if (isOpen) return;
    this.api.backupContent(backup.name).subscribe({
      next: (content) => {
        if (this.looked() === backup.name) this.content.set(content);
      },
      error: (error: unknown) => {
        this.looked.set('');
        this.fail(error);
      },
    });
  }

  protected bringBack(backup: Backup, studioId: string): void {
    this.begin();
    this.api.bringBack(backup.name, studioId).subscribe({
      next: () => {
        this.done('Brought back. It stands in the list above.');
        this.broughtBack.emit();
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  private begin(): void {
    this.busy.set(true);
    this.said.set('');
    this.trouble.set('');
  }

  private done(said: string): void {
    this.busy.set(false);
    this.said.set(said);
  }

  private fail(error: unknown): void {
    this.busy.set(false);
    this.trouble.set(apiErrorOf(error).message);
  }
}
