import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { Subject } from 'rxjs';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { createPlannerWorker } from './create-planner-worker';
import type { Planned, PlannerApi, SentStudio } from './planner-api';

/** The core in its worker: every call answers later, and never holds up the screen. */
@Injectable({ providedIn: 'root' })
export class Planner implements OnDestroy {
  private readonly worker = createPlannerWorker();
  readonly api: Remote<PlannerApi> = wrap<PlannerApi>(this.worker);
  private sentRig: Rig | undefined;
  private readonly preparing = new Subject<void>();
  /** A scene has been sent: whatever is asked of the worker from now on is answered about it. */
  readonly sent = this.preparing.asObservable();

  /**
   * Plans a scene; the rig is sent along only when it is another one than last time. The scene is taken in
   * first and planned after: what is asked in between, as the strip is, does not wait for the checks.
   */
  async plan(studio: Studio, place: ScenePlace): Promise<Planned> {
    const { rig, ...others } = studio;
    const sent: SentStudio = rig === this.sentRig ? others : studio;
    this.sentRig = rig;
    const prepared = this.api.prepare(sent, place);
    this.preparing.next();
    const [, planned] = await Promise.all([prepared, this.api.plan()]);
    return planned;
  }

  ngOnDestroy(): void {
    this.worker.terminate();
  }
}
