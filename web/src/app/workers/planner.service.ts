import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { Subject } from 'rxjs';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { createPlannerWorker } from './create-planner-worker';
import type { Planned, PlannerApi, SentStudio } from './planner-api';

/** A worker and the way to speak with it. `lost` never comes about but by failing, when the worker is gone. */
interface Link {
  readonly worker: Worker;
  readonly api: Remote<PlannerApi>;
  readonly lost: Promise<never>;
}

/** The core in its worker: every call answers later, and never holds up the screen. */
@Injectable({ providedIn: 'root' })
export class Planner implements OnDestroy {
  private link = this.connect();
  private isLost = false;
  private sentRig: Rig | undefined;
  private sentSessions: ReadonlySet<Session> = new Set();
  private readonly preparing = new Subject<void>();
  /** A scene has been sent: whatever is asked of the worker from now on is answered about it. */
  readonly sent = this.preparing.asObservable();

  get api(): Remote<PlannerApi> {
    return this.link.api;
  }

  /** Asks something; where the worker goes meanwhile, that is the answer. */
  ask<R extends Promise<unknown>>(ask: (api: Remote<PlannerApi>) => R): Promise<Awaited<R>> {
    const { api, lost } = this.link;
    return Promise.race([ask(api), lost]);
  }

  /**
   * Plans a scene; rig and sessions are sent along only where they are others than last time. The scene is taken in
   * first and planned after: what is asked in between, as the strip is, does not wait for the checks.
   */
  async plan(studio: Studio, place: ScenePlace): Promise<Planned> {
    if (this.isLost) this.restart();
    const { rig, sessions, ...others } = studio;
    const sent: SentStudio = {
      ...others,
      ...(rig !== this.sentRig && { rig }),
      sessions: sessions.map((each) => (this.sentSessions.has(each) ? { known: each.id } : each)),
    };
    this.sentRig = rig;
    this.sentSessions = new Set(sessions);
    const { api, lost } = this.link;
    const prepared = api.prepare(sent, place);
    this.preparing.next();
    try {
      const [, planned] = await Promise.race([Promise.all([prepared, api.plan()]), lost]);
      return planned;
    } catch (error) {
      // What it has is not known.
      this.forget();
      throw error;
    }
  }

  ngOnDestroy(): void {
    this.link.worker.terminate();
  }

  /** A worker that is gone, or never came, is replaced when somebody asks again, and not before. */
  private restart(): void {
    this.link.worker.terminate();
    this.link = this.connect();
    this.isLost = false;
    this.forget();
  }

  private forget(): void {
    this.sentRig = undefined;
    this.sentSessions = new Set();
  }

  private connect(): Link {
    const worker = createPlannerWorker();
    const lost = new Promise<never>((_, reject) => {
      worker.addEventListener('error', ({ message }) => {
        this.isLost = true;
        reject(new Error(`The planner stopped: ${message || 'it could not be loaded'}.`));
      });
    });
    // Where nobody waits just now, the next question tells.
    lost.catch(() => undefined);
    return { worker, api: wrap<PlannerApi>(worker), lost };
  }
}
