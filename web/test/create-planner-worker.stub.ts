import { expose } from 'comlink';
import { createPlanner } from '../src/app/workers/planner-api';

/** The planner over a message channel inside the test process: comlink's real protocol, no thread. */
export function createPlannerWorker(): Worker {
  const { port1, port2 } = new MessageChannel();
  expose(createPlanner(), port2);
  return Object.assign(port1, {
    terminate: () => {
      port1.close();
      port2.close();
    },
  }) as unknown as Worker;
}
