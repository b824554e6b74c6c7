import type { OnDestroy } from '@angular/core';
import { Injectable } from '@angular/core';
import type { FlowGraph } from '@ft/core/views/flow/flowGraph';
import { createElk } from './create-elk';
import { layoutFlow } from './elk-layout';
import type { FlowLayout } from './flow-layout';

/** The layout engine, started when the first diagram is asked for. */
@Injectable({ providedIn: 'root' })
export class FlowLayouts implements OnDestroy {
  private readonly elk = createElk();

  layout(graph: FlowGraph): Promise<FlowLayout> {
    return layoutFlow(this.elk, graph);
  }

  ngOnDestroy(): void {
    this.elk.terminateWorker();
  }
}
