import { DatePipe } from '@angular/common';
import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import type { StudioSummary } from '@ft/contract/api';
import { Api, apiErrorOf } from '../state/api.service';

/** The first screen: the studios on this machine, and the three ways to get one. */
@Component({
  selector: 'ft-first-screen',
  imports: [DatePipe, RouterLink],
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
  /** The studio about to be removed, until it is confirmed. */
  protected readonly removing = signal('');

  ngOnInit(): void {
    this.refresh();
  }

  protected open(studio: StudioSummary): void {
    this.enter(studio.id);
  }

  protected openDemo(): void {
    this.create('Opening the demo studio …', this.api.openDemo());
  }

  protected begin(name: string): void {
    if (name.trim() !== '') this.create('Making the studio …', this.api.begin(name), 'rig');
  }

  protected async importFile(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (file === undefined) return;
    const text = await file.text();
    input.value = '';
    this.create(`Reading ${file.name} …`, this.api.importBundle(text));
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

  private create(what: string, made: Observable<string>, stage = 'track'): void {
    this.busy.set(what);
    this.trouble.set(undefined);
    made.subscribe({
      next: (id) => {
        this.busy.set('');
        this.enter(id, stage);
      },
      error: (error: unknown) => {
        this.busy.set('');
        this.fail(error);
      },
    });
  }

  /** Opens a studio at its first session and that session's first scene. */
  private enter(id: string, stage = 'track'): void {
    this.api.studio(id).subscribe({
      next: ({ studio }) => {
        const session = studio.sessions[0];
        const scene = session?.scenes.find(({ archived }) => archived !== true) ?? session?.scenes[0];
        if (session === undefined || scene === undefined)
          this.trouble.set({ message: 'This studio has no session.', problems: [] });
        else void this.router.navigate(['/studio', id, session.id, scene.id, stage]);
      },
      error: (error: unknown) => {
        this.fail(error);
      },
    });
  }

  private refresh(): void {
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
