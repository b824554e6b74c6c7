import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { Subject } from 'rxjs';
import type { ScenePlace } from '@ft/core/plan/scenePlace';
import type { Rig } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { createPlannerWorker } from './create-planner-worker';
import type { PlannerApi, SentStudio } from './planner-api';

/** The core in its worker: every call answers later, and never holds up the screen. */
@Injectable({ providedIn: 'root' })
export class Planner implements OnDestroy {
  private readonly worker = createPlannerWorker();
  readonly api: Remote<PlannerApi> = wrap<PlannerApi>(this.worker);
  private sentRig: Rig | undefined;
  private readonly asks = new Subject<void>();
  /** A plan has been asked for: whatever is asked of the worker from now on is answered about its scene. */
  readonly asked = this.asks.asObservable();

  /** Plans a scene; the rig is sent along only when it is another one than last time. */
  plan(studio: Studio, place: ScenePlace): ReturnType<Remote<PlannerApi>['plan']> {
    const { rig, ...others } = studio;
    const sent: SentStudio = rig === this.sentRig ? others : studio;
    this.sentRig = rig;
    const answer = this.api.plan(sent, place);
    this.asks.next();
    return answer;
  }

  ngOnDestroy(): void {
    this.worker.terminate();
  }
}
