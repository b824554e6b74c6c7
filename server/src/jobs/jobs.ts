import type { JobState } from '@ft/contract/jobs';
import { ApiFailure } from '../http/refusal';
import type { JobPool } from './jobPool';
import type { JobProgress } from './jobProgress';
import type { TaskInput, TaskName, TaskOutput } from './tasks';

/** Who wants a job done: a tablet by its id, or this computer. */
export type Asker = string;
export const THIS_COMPUTER: Asker = 'this computer';

export interface Wanted {
  readonly asker: Asker;
  /** The name the window gave the job, by which it asks how far it is. */
  readonly id?: string;
  /** Ends the job: whoever wanted it has left. */
  readonly signal?: AbortSignal;
}

interface Held {
  readonly asker: Asker;
  readonly cancel: AbortController;
  progress: JobProgress | undefined;
}

/** A tablet has this many jobs at once: it must not keep the others from theirs. */
const MOST_OF_A_TABLET = 2;

/** The jobs under way: who wants them, how far they are, and a way to end them. */
export class Jobs {
  private readonly held = new Set<Held>();
  private readonly named = new Map<string, Held>();

  constructor(private readonly pool: JobPool) {}

  /** Runs a job. It ends when it is cancelled, when `signal` does, or with its budget. */
  async run<K extends TaskName>(task: K, input: TaskInput<K>, wanted: Wanted): Promise<TaskOutput<K>> {
    const { asker, id, signal } = wanted;
    this.refuseMore(asker);
    const job: Held = { asker, cancel: new AbortController(), progress: undefined };
    const stop = (): void => {
      job.cancel.abort();
    };
    this.held.add(job);
    if (id !== undefined) this.named.set(id, job);
    signal?.addEventListener('abort', stop, { once: true });
    try {
      return await this.pool.run(task, input, {
        signal: job.cancel.signal,
        onProgress: (progress) => (job.progress = progress),
      });
    } finally {
      signal?.removeEventListener('abort', stop);
      this.held.delete(job);
      if (id !== undefined && this.named.get(id) === job) this.named.delete(id);
    }
  }

  /** How far a job is; none where there is none of that name, or it is somebody else's. */
  state(id: string, asker: Asker): JobState {
    const job = this.named.get(id);
    if (job?.asker !== asker) return { state: 'none' };
    const { progress } = job;
    return progress === undefined ? { state: 'waiting' } : { state: 'running', ...progress };
  }

  cancel(id: string, asker: Asker): boolean {
    const job = this.named.get(id);
    if (job?.asker !== asker) return false;
    job.cancel.abort();
    return true;
  }

  private refuseMore(asker: Asker): void {
    if (asker === THIS_COMPUTER) return;
    const own = [...this.held].filter((job) => job.asker === asker).length;
    if (own >= MOST_OF_A_TABLET)
      throw new ApiFailure(
        429,
        'busy',
        'This tablet has asked for other sheets already. Wait until they are there, then try again.',
      );
  }
}
