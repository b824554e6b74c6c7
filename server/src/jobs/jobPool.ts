import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { Budget } from './budget';
import { JobFailure } from './jobFailure';
import type { JobProgress } from './jobProgress';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

export interface PoolOptions {
  /** The built worker program. */
  readonly workerFile: string;
  readonly budget?: Budget;
  readonly threads?: number;
}

/** A minute and a gigabyte: twenty times what the largest facility takes. */
const BUDGET: Budget = { timeMs: 60_000, memoryMb: 1024 };
const MOST_WAITING = 64;
/** A thread that has had nothing to do for so long is let go, ms. */
const IDLE_MS = 30_000;
/** One runs while the other plans something large: nobody waits for one sheet. */
const THREADS = 2;

interface Running {
  readonly onProgress?: (progress: JobProgress) => void;
  readonly signal?: AbortSignal;
}

interface PoolError extends Error {
  readonly code?: string;
}

/**
 * Runs what takes long beside the server: reading, planning, routing, drawing. A job has a budget of time and
 * memory, tells how far it is, and can be cancelled; whichever ends it ends its thread, so nothing lingers.
 */
export class JobPool {
  private readonly pool: Piscina;
  private readonly budget: Budget;

  constructor({ workerFile, budget = BUDGET, threads = THREADS }: PoolOptions) {
    this.budget = budget;
    this.pool = new Piscina({
      filename: workerFile,
      minThreads: 0,
      maxThreads: threads,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
      concurrentTasksPerWorker: 1,
      resourceLimits: { maxOldGenerationSizeMb: budget.memoryMb },
    });
    // A thread that dies of its memory says so twice: to the job, and here.
    this.pool.on('error', () => undefined);
  }

  /** Runs a job. Throws `JobFailure` when the budget is used up, when it is cancelled, or when too many wait. */
  async run<K extends TaskName>(
    task: K,
    input: TaskInput<K>,
    { onProgress, signal }: Running = {},
  ): Promise<TaskOutput<K>> {
    if (signal?.aborted === true) throw new JobFailure('cancelled');
    const end = new AbortController();
    const { port1: ours, port2: theirs } = new MessageChannel();
    let isLate = false;
    let budget: NodeJS.Timeout | undefined;
    const cancel = (): void => {
      end.abort();
    };
    ours.on('message', (progress: JobProgress) => {
      // The first word comes when its thread begins.
      budget ??= setTimeout(() => {
        isLate = true;
        end.abort();
      }, this.budget.timeMs);
      onProgress?.(progress);
    });
    signal?.addEventListener('abort', cancel, { once: true });
    try {
      const order = { task, input, port: theirs };
      return (await this.pool.run(order, { transferList: [theirs], signal: end.signal })) as TaskOutput<K>;
    } catch (error) {
      throw this.failureOf(error as PoolError, isLate);
    } finally {
      clearTimeout(budget);
      signal?.removeEventListener('abort', cancel);
      ours.close();
    }
  }

  /** Ends every job. */
  close(): Promise<void> {
    return this.pool.destroy();
  }

  private failureOf(error: PoolError, isLate: boolean): Error {
    if (error.name === 'AbortError') return new JobFailure(isLate ? 'too-long' : 'cancelled', this.budget);
    if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return new JobFailure('too-much-memory', this.budget);
    if (/queue is at limit|No task queue available/i.test(error.message)) return new JobFailure('too-many');
    return error;
  }
}
