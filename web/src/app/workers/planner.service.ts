import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { createPlannerWorker } from './create-planner-worker';
import type { PlannerApi } from './planner-api';

/** The core in its worker: every call answers later, and never holds up the screen. */
@Injectable({ providedIn: 'root' })
export class Planner implements OnDestroy {
  private readonly worker = createPlannerWorker();
  readonly api: Remote<PlannerApi> = wrap<PlannerApi>(this.worker);

  ngOnDestroy(): void {
    this.worker.terminate();
  }
}
