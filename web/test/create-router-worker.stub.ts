import { expose } from 'comlink';
import { createRouter } from '../src/app/workers/router-api';

/** The router over a message channel inside the test process; stopping it closes the channel. */
export function createRouterWorker(): Worker {
  const { port1, port2 } = new MessageChannel();
  expose(createRouter(), port2);
  return Object.assign(port1, {
    terminate: () => {
      port1.close();
      port2.close();
    },
  }) as unknown as Worker;
}
