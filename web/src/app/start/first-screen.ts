import { DatePipe, NgTemplateOutlet } from '@angular/common';
import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Actions, ofType } from '@ngrx/effects';
import type { Observable } from 'rxjs';
import { Subscription } from 'rxjs';
import type { StudioSummary } from '@ft/contract/studios';
import { decodeText } from '@ft/core/formats/decodeText';
import { Api, apiErrorOf } from '../state/api.service';
import { jobProgress } from '../state/job-progress';
import { newId } from '../state/new-id';
import { StudioActions } from '../state/studio.actions';
import { FileLink } from '../ui/file-link';
import { FilePick } from '../ui/form/file-pick';
import { BackupsPanel } from './backups-panel';
import { NewsPanel } from './news-panel';
import { SetAsidePanel } from './set-aside-panel';
import { StudioSessions } from './studio-sessions';

/** The first screen: what to do first, for three people, and the sessions of this computer. */
@Component({
  selector: 'ft-first-screen',
  imports: [
    BackupsPanel,
    DatePipe,
    FileLink,
    FilePick,
    NewsPanel,
    NgTemplateOutlet,
    RouterLink,
    SetAsidePanel,
    StudioSessions,
  ],
  templateUrl: './first-screen.html',
  styleUrl: './first-screen.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstScreen implements OnInit {
  private readonly api = inject(Api);
  private readonly router = inject(Router);

  protected readonly studios = signal<readonly StudioSummary[] | undefined>(undefined);
  protected readonly trouble = signal<{ message: string; problems: readonly string[] } | undefined>(
    undefined,
  );
  protected readonly busy = signal('');
  /** How far the server is with it. */
  protected readonly step = signal('');
  /** What was open last: most people come back to it. */
  protected readonly last = computed(() => {
    const all = (this.studios() ?? []).flatMap((studio) =>
      studio.sessions.map((session) => ({ studio, session, at: session.openedAt ?? '' })),
    );
    const opened = all.filter(({ session, at }) => at !== '' && session.scene !== '');
    return opened.sort((a, b) => (a.at < b.at ? 1 : -1))[0];
  });
  private running = new Subscription();
  /** The studio about to be removed, until it is confirmed. */
  protected readonly removing = signal('');

  constructor() {
    // A studio just left may not have been stored when the list was asked for.
    inject(Actions)
      .pipe(ofType(StudioActions.caughtUp), takeUntilDestroyed())
      .subscribe(() => {
        this.refresh();
      });
  }

  ngOnInit(): void {
    this.refresh();
  }

  protected openDemo(): void {
    this.create('Opening the demo studio …', (job) => this.api.openDemo(job));
  }

  protected async importFile(file: File): Promise<void> {
    const what = `Reading ${file.name} …`;
    if (file.name.endsWith('.zip')) {
      this.run(
        what,
        (job) => this.api.importArchive(file, job),
        () => {
          this.refresh();
        },
      );
      return;
    }
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (decoded.ok) this.create(what, (job) => this.api.importBundle(decoded.text, job));
    else
      this.trouble.set({
        message: `${file.name} is no bundle: it is no text. Choose a *.thread.json or *.thread.zip file.`,
        problems: [],
      });
  }

  /** Whoever asked has left: the server ends the work. */
  protected cancel(): void {
    this.running.unsubscribe();
    this.busy.set('');
  }

  protected remove(id: string): void {
    this.removing.set('');
    this.api.removeStudio(id).subscribe({
      next: () => {
        this.refresh();
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  private create(what: string, make: (job: string) => Observable<string>): void {
    this.run(what, make, (id) => {
      this.enterMade(id);
    });
  }

  /** Lets the server work on something, and says how far it is. */
  private run<T>(what: string, work: (job: string) => Observable<T>, done: (made: T) => void): void {
    const job = newId();
    this.busy.set(what);
    this.step.set('');
    this.trouble.set(undefined);
    this.running = new Subscription();
    this.running.add(
      jobProgress(this.api, job).subscribe((step) => {
        this.step.set(step);
      }),
    );
    this.running.add(
      work(job).subscribe({
        next: (made) => {
          this.cancel();
          done(made);
        },
        error: (error: unknown) => {
          this.cancel();
          this.fail(error);
        },
      }),
    );
  }

  /** Opens a studio at its first session and the scene that one opens at; the list may not have come yet. */
  private enterMade(id: string): void {
    this.api.summary(id).subscribe({
      next: ({ sessions: [session] }) => {
        if (session === undefined || session.scene === '')
          this.trouble.set({
            message:
              'This studio cannot be opened: its first session cannot be read. Health says how to bring it back.',
            problems: [],
          });
        else void this.router.navigate(['/studio', id, session.id, session.scene, 'track']);
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  protected refresh(): void {
    this.api.studios().subscribe({
      next: (studios) => {
        this.studios.set(studios);
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  private fail(error: unknown): void {
    // A device of the studio network that nobody has let in yet.
    if (apiErrorOf(error).code === 'not-paired') void this.router.navigate(['/pair']);
    const { message, problems = [] } = apiErrorOf(error);
    this.trouble.set({ message, problems });
  }
}
