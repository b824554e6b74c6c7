import { EventEmitter } from 'node:events';
import request from 'supertest';
import type { JobState } from '@ft/contract/jobs';
import { JOB_HEADER } from '@ft/contract/jobs';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import { bayStudio } from '../../bench/bayRig';
import { facility } from '../../bench/facility';
import { saltglassRooms } from '../../core/test/fixtures/builtDemo';
import { JobPool } from '../src/jobs/jobPool';
import type { JobProgress } from '../src/jobs/jobProgress';
import { Jobs, THIS_COMPUTER } from '../src/jobs/jobs';
import { documentsOf } from '../src/studios/documents';
import type { TestProgram } from './helpers';
import { DEMO, putSmallDemo, startProgram, until, WORKER_FILE } from './helpers';

const demo = documentsOf(saltglassRooms());
const sheet = {
  documents: demo,
  revision: 0,
  place: { session: 'lamplighters-ledger', scene: 'tracking' } as never,
  printedAt: '2026-03-01T10:00:00Z',
};

let pool: JobPool | undefined;
afterEach(() => pool?.close());

describe('a job', () => {
  it('is done beside, says its steps, and gives plain data', async () => {
    pool = new JobPool({ workerFile: WORKER_FILE });
    const steps: JobProgress[] = [];
    const csv = await pool.run('patchListCsv', sheet, { onProgress: (step) => steps.push(step) });
    expect(csv).toContain('Room,From,To,Cord');
    await until(() => steps.length === 4);
    expect(steps.map(({ step }) => step)).toEqual([
      'Started',
      'Reading the studio',
      'Planning the scene',
      'Writing the sheet',
    ]);
  });

  it('leaves the server free: it answers while the thread is busy', async () => {
    pool = new JobPool({ workerFile: WORKER_FILE });
    const order: string[] = [];
    const job = pool.run('bundle', documentsOf(bayStudio())).then(() => order.push('job'));
    await new Promise((resolve) => setImmediate(resolve)).then(() => order.push('an answer meanwhile'));
    await job;
    expect(order).toEqual(['an answer meanwhile', 'job']);
  });

  it('ends when its time is used up, and says so', async () => {
    pool = new JobPool({ workerFile: WORKER_FILE, budget: { timeMs: 1, memoryMb: 1024 } });
    await expect(pool.run('patchListPdf', sheet)).rejects.toMatchObject({ code: 'too-long' });
  });

  it('ends when its memory is used up, and the next one is done all the same', async () => {
    // The thread itself takes some 20 MB to start; the text of ten facilities, read, is far more than what is left.
    pool = new JobPool({ workerFile: WORKER_FILE, budget: { timeMs: 120_000, memoryMb: 48 } });
    const large = `[${Array(10).fill(writeBundle(facility())).join(',')}]`;
    await expect(pool.run('readBundle', large)).rejects.toMatchObject({ code: 'too-much-memory' });
    expect(await pool.run('readChange', '{}')).toMatchObject({ ok: false });
  });

  it('is cancelled, also while it waits for its turn', async () => {
    pool = new JobPool({ workerFile: WORKER_FILE, threads: 1 });
    const [first, second] = [new AbortController(), new AbortController()];
    const running = pool.run('patchListPdf', sheet, { signal: first.signal });
    const waiting = pool.run('patchListPdf', sheet, { signal: second.signal });
    second.abort();
    await expect(waiting).rejects.toMatchObject({ code: 'cancelled' });
    first.abort();
    await expect(running).rejects.toMatchObject({ code: 'cancelled' });
    await expect(pool.run('readChange', '{}', { signal: first.signal })).rejects.toMatchObject({
      code: 'cancelled',
    });
  });

  it('that fails is a fault of ours, with its own error', async () => {
    pool = new JobPool({ workerFile: WORKER_FILE });
    const broken = { ...demo, rig: 'not json' };
    await expect(pool.run('readStudio', broken)).rejects.toMatchObject({ name: 'SyntaxError' });
  });
});

describe('jobs under way', () => {
  /** A pool whose jobs end when they are let go. */
  class HeldPool extends EventEmitter {
    run = (
      _task: string,
      _input: unknown,
      { onProgress, signal }: { onProgress: (p: JobProgress) => void; signal: AbortSignal },
    ): Promise<string> =>
      new Promise((resolve, reject) => {
        this.once('step', () => {
          onProgress({ step: 'Planning', at: 1, of: 2 });
        });
        this.once('done', () => {
          resolve('done');
        });
        signal.addEventListener('abort', () => {
          reject(new Error('ended'));
        });
      });
  }

  it('are told to whoever asked for them, and to nobody else', async () => {
    const held = new HeldPool();
    const jobs = new Jobs(held as never);
    const job = jobs.run('readChange', '', { asker: 'tablet-1', id: 'job-0001' });
    expect(jobs.state('job-0001', 'tablet-1')).toEqual({ state: 'waiting' });
    held.emit('step');
    expect(jobs.state('job-0001', 'tablet-1')).toEqual({ state: 'running', step: 'Planning', at: 1, of: 2 });
    expect(jobs.state('job-0001', THIS_COMPUTER)).toEqual({ state: 'none' });
    expect(jobs.cancel('job-0001', 'tablet-2')).toBe(false);
    held.emit('done');
    await job;
    expect(jobs.state('job-0001', 'tablet-1')).toEqual({ state: 'none' });
  });

  it('of a tablet are two at once: it does not keep the others from theirs', async () => {
    const held = new HeldPool();
    const jobs = new Jobs(held as never);
    const own = [1, 2].map(() => jobs.run('readChange', '', { asker: 'tablet-1' }));
    await expect(jobs.run('readChange', '', { asker: 'tablet-1' })).rejects.toMatchObject({ code: 'busy' });
    const others = [
      jobs.run('readChange', '', { asker: THIS_COMPUTER }),
      jobs.run('readChange', '', { asker: 't2' }),
    ];
    held.emit('done');
    await Promise.all([...own, ...others]);
  });

  it('end when they are cancelled, or whoever asked has left', async () => {
    const jobs = new Jobs(new HeldPool() as never);
    const job = jobs.run('readChange', '', { asker: THIS_COMPUTER, id: 'job-0002' });
    expect(jobs.cancel('job-0002', THIS_COMPUTER)).toBe(true);
    await expect(job).rejects.toThrow('ended');
    const left = new AbortController();
    const other = jobs.run('readChange', '', { asker: THIS_COMPUTER, signal: left.signal });
    left.abort();
    await expect(other).rejects.toThrow('ended');
  });
});

describe('over the wire', () => {
  let program: TestProgram;
  beforeEach(async () => {
    program = await startProgram({ budget: { timeMs: 1, memoryMb: 1024 } });
    await putSmallDemo(program);
  });
  afterEach(() => program.close());

  it('a sheet that takes too long is answered with what to do, and everything else goes on', async () => {
    const address = `${DEMO}/sessions/lamplighters-ledger/scenes/tracking/patch-list.pdf`;
    const { body } = await program.api.get(address).expect(422);
    expect(body).toMatchObject({ code: 'too-long' });
    expect((body as { message: string }).message).toContain('was ended; nothing was changed');
    await program.api.get(DEMO).expect(200);
  });

  it('a job that is not there is none, and cannot be ended', async () => {
    await program.api.get('/api/jobs/job-nowhere').expect(200, { state: 'none' });
    await program.api.delete('/api/jobs/job-nowhere').expect(404);
  });

  it('a job is asked how far it is by the name the window gave it', async () => {
    const state = new Promise<JobState>((resolve) => {
      jest.spyOn(Jobs.prototype, 'run').mockImplementationOnce(async function (
        this: Jobs,
        _task,
        _input,
        wanted,
      ) {
        expect(wanted).toMatchObject({ asker: THIS_COMPUTER, id: 'job-bundle-1' });
        resolve({ state: 'waiting' });
        return Promise.resolve('{}' as never);
      });
    });
    await program.api.get(`${DEMO}/bundle`).set(JOB_HEADER, 'job-bundle-1').expect(200);
    expect(await state).toEqual({ state: 'waiting' });
    jest.restoreAllMocks();
  });

  it('a large studio comes as it is, read beside the server', async () => {
    await program.close();
    program = await startProgram();
    const text = writeBundle(bayStudio());
    await program.api.post('/api/bundles').set('Content-Type', 'text/plain').send(text).expect(201);
    const { body } = await request(program.app).get('/api/studios/bays').set('Host', '127.0.0.1').expect(200);
    const reading = readBundle(text);
    expect(reading.ok && (body as { studio: unknown }).studio).toEqual(reading.ok && reading.studio);
  });
});
