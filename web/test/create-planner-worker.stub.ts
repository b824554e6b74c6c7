import { expose } from 'comlink';
import { createPlanner } from '../src/app/workers/planner-api';

/** Lets the planner made last stop, as a worker does that could not be loaded or ran out of memory. */
export let stopPlanner: (message: string) => void;

/** The planner over a message channel inside the test process: comlink's real protocol, no thread. */
export function createPlannerWorker(): Worker {
  const { port1, port2 } = new MessageChannel();
  expose(createPlanner(), port2);
  const listen = port1.addEventListener.bind(port1);
  return Object.assign(port1, {
    addEventListener: (type: string, listener: (event: never) => void) => {
      if (type !== 'error') listen(type, listener as EventListener);
      else
        stopPlanner = (message) => {
          port2.close();
          listener({ message } as never);
        };
    },
    terminate: () => {
      port1.close();
      port2.close();
    },
  }) as unknown as Worker;
}
