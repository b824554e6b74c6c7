import type { MessagePort } from 'node:worker_threads';
import type { JobProgress, Tell } from './jobProgress';
import type { TaskName } from './tasks';
import { TASKS } from './tasks';

interface Ordered {
  readonly task: TaskName;
  readonly input: unknown;
  readonly port: MessagePort;
}

/** What runs in a thread of the pool: one task at a time. */
export default async function work({ task, input, port }: Ordered): Promise<unknown> {
  const tell: Tell = (step, at, of) => {
    port.postMessage({ step, at, of } satisfies JobProgress);
  };
  tell('Started', 0, 1);
  try {
    const run = TASKS[task] as (input: unknown, tell: Tell) => unknown;
    return await run(input, tell);
  } finally {
    port.close();
  }
}
