import { HttpErrorResponse, HttpResponse } from '@angular/common/http';
import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { race, Subscription, switchMap, tap, timer } from 'rxjs';
import { Progress } from './progress';
import { saveBlob } from './save-text';
import { Api, apiErrorOf } from '../state/api.service';
import { jobProgress } from '../state/job-progress';
import { newId } from '../state/new-id';
import { arrived, selectStanding } from '../state/standing';

/** So long a file waits for what was done last to be stored, ms; then it is asked for all the same. */
const PATIENCE_MS = 5000;

const NAME = /filename="?([^";]+)"?/;

/**
 * A file the server makes when it is asked for: says how far it is where that takes a moment, can be
 * cancelled, and says what went wrong in the place where it was asked.
 */
@Component({
  selector: 'ft-file-link',
  imports: [Progress],
  template: `
    @if (under()) {
      <ft-progress [step]="step()" (cancelled)="cancel()" />
    } @else {
      <button type="button" (click)="start()"><ng-content /></button>
    }
    @if (trouble() !== '') {
      <span class="text" role="alert"><span class="error" aria-hidden="true">▲</span> {{ trouble() }}</span>
    }
  `,
  styles: `
    :host {
      display: inline-flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      align-items: center;
    }
    .text {
      max-width: 30rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FileLink implements OnDestroy {
  /** Where the file is asked for; its name comes with it. */
  readonly address = input.required<string>();
  private readonly api = inject(Api);
  private readonly store = inject(Store);
  private readonly standing = this.store.selectSignal(selectStanding);
  protected readonly under = signal(false);
  protected readonly step = signal('');
  protected readonly trouble = signal('');
  private running = new Subscription();

  ngOnDestroy(): void {
    this.running.unsubscribe();
  }

  protected start(): void {
    const job = newId();
    this.under.set(true);
    this.step.set('Making it …');
    this.trouble.set('');
    this.running = new Subscription();
    this.running.add(
      jobProgress(this.api, job).subscribe((step) => {
        this.step.set(step);
      }),
    );
    this.running.add(
      race(arrived(this.store.select(selectStanding)), timer(PATIENCE_MS))
        .pipe(switchMap(() => this.file(job)))
        .subscribe({
          error: (error: unknown) => {
            this.end();
            void this.tell(error);
          },
        }),
    );
  }

  /** Asks for the file and saves it. The server makes it of what is stored. */
  private file(job: string): Observable<unknown> {
    const isWhole = this.standing() === 'stored';
    return this.api.file(this.address(), job).pipe(
      tap((event) => {
        if (!(event instanceof HttpResponse) || event.body === null) return;
        const name = NAME.exec(event.headers.get('content-disposition') ?? '')?.[1] ?? 'sheet';
        saveBlob(name, event.body);
        if (!isWhole)
          this.trouble.set('What was done last here is not stored yet, so this file may be without it.');
        this.end();
      }),
    );
  }

  /** Whoever asked has left: the server ends the work. */
  protected cancel(): void {
    this.end();
  }

  private end(): void {
    this.running.unsubscribe();
    this.under.set(false);
  }

  private async tell(error: unknown): Promise<void> {
    this.trouble.set(apiErrorOf(await withJson(error)).message);
  }
}

/** A refusal that came where a file was expected, read as what it is. */
async function withJson(error: unknown): Promise<unknown> {
  const failed = error as { status?: number; error?: unknown };
  if (!(failed.error instanceof Blob)) return error;
  const text = await failed.error.text();
  try {
    return new HttpErrorResponse({ status: failed.status ?? 0, error: JSON.parse(text) as unknown });
  } catch {
    return error;
  }
}
