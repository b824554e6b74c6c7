import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { Remote } from 'comlink';
import { wrap } from 'comlink';
import { createFlowWorker } from './create-flow-worker';
import type { FlowLayoutApi } from './flow-layout';

/** The layout engine in its worker, started when the first diagram is asked for. */
@Injectable({ providedIn: 'root' })
export class FlowLayouts implements OnDestroy {
  private readonly worker = createFlowWorker();
  readonly api: Remote<FlowLayoutApi> = wrap<FlowLayoutApi>(this.worker);

  ngOnDestroy(): void {
    this.worker.terminate();
  }
}
