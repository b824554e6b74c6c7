import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { Writable } from 'node:stream';
import { EventStream } from '../src/events/eventStream';
import { HistoryStore } from '../src/history/historyStore';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, putSmallDemo, startProgram, until } from './helpers';

let program: TestProgram;
let server: Server;
let address: string;

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
  server = await new Promise((resolve) => {
    const started = program.app.listen(0, '127.0.0.1', () => {
      resolve(started);
    });
  });
  address = `http://127.0.0.1:${String((server.address() as AddressInfo).port)}`;
});
afterEach(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await program.close();
});

/** Reads server-sent events as they come. */
class Listener {
  private text = '';
  private readonly reader: ReadableStreamDefaultReader<Uint8Array>;

  private constructor(
    body: ReadableStream<Uint8Array>,
    private readonly abort: AbortController,
  ) {
    this.reader = body.getReader();
  }

  static async open(path: string, headers: Record<string, string> = {}): Promise<Listener> {
    const abort = new AbortController();
    const response = await fetch(`${address}${path}`, { headers, signal: abort.signal });
    expect(response.headers.get('content-type')).toContain('text/event-stream');
    return new Listener(response.body!, abort);
  }

  /** Waits for the next event of a kind and gives its data. */
  async next(kind: string): Promise<Record<string, unknown>> {
    const pattern = new RegExp(`(?:id: \\d+\\n)?event: ${kind}\\ndata: (.*)\\n\\n`);
    for (;;) {
      const match = pattern.exec(this.text);
      if (match !== null) {
        this.text = this.text.slice(match.index + match[0].length);
        return JSON.parse(match[1]!) as Record<string, unknown>;
      }
      const { value, done } = await this.reader.read();
      if (done) throw new Error('the stream ended');
      this.text += new TextDecoder().decode(value);
    }
  }

  close(): void {
    this.abort.abort();
  }
}

const change = (value: string, was: string): Promise<unknown> =>
  program.api.post(`${DEMO}/changes`).send(performerChange(value, was)).expect(200);

describe('events of a studio', () => {
  it('tell every window what another one did', async () => {
    const windows = await Promise.all([Listener.open(`${DEMO}/events`), Listener.open(`${DEMO}/events`)]);
    await change('Ada', 'Imke Tarrow');
    for (const window of windows) {
      expect(await window.next('entry')).toMatchObject({ revision: 1, label: 'Performer Ada' });
      window.close();
    }
  });

  it('first give a window what it missed', async () => {
    await change('Ada', 'Imke Tarrow');
    await change('Bo', 'Ada');
    await change('Cy', 'Bo');
    const window = await Listener.open(`${DEMO}/events?since=1`);
    expect((await window.next('entry'))['revision']).toBe(2);
    expect((await window.next('entry'))['revision']).toBe(3);
    window.close();
    const again = await Listener.open(`${DEMO}/events?since=0`, { 'Last-Event-ID': '2' });
    expect((await again.next('entry'))['revision']).toBe(3);
    again.close();
  });

  it('do not tell how to take a change back', async () => {
    const window = await Listener.open(`${DEMO}/events`);
    await change('Ada', 'Imke Tarrow');
    expect(await window.next('entry')).not.toHaveProperty('inverse');
    window.close();
  });

  it('count who is here', async () => {
    const first = await Listener.open(`${DEMO}/events`);
    expect(await first.next('presence')).toEqual({ windows: 1 });
    const second = await Listener.open(`${DEMO}/events`);
    expect(await first.next('presence')).toEqual({ windows: 2 });
    second.close();
    expect(await first.next('presence')).toEqual({ windows: 1 });
    first.close();
  });

  it('tell every window what one of them points at, those that come later too', async () => {
    const pointing = { window: 'a'.repeat(32), ref: { kind: 'thread', id: 'line-2' } };
    const point = (body: unknown) => program.api.put(`${DEMO}/pointing`).send(JSON.stringify(body));
    await point(pointing).expect(204);
    const first = await Listener.open(`${DEMO}/events`);
    await point(pointing).expect(204);
    expect(await first.next('pointing')).toEqual(pointing);
    const second = await Listener.open(`${DEMO}/events`);
    expect(await second.next('pointing')).toEqual(pointing);
    const refused = await point({ ...pointing, ref: { kind: 'wish', id: 'x' } }).expect(400);
    expect((refused.body as { message: string }).message).toMatch(/^The request does not fit: .*kind/);
    first.close();
    second.close();
    await until(() => program.program.windows.count === 0);
    // When the last window has gone, nothing is pointed at any more.
    const third = await Listener.open(`${DEMO}/events`);
    await point({ ...pointing, ref: null }).expect(204);
    expect(await third.next('pointing')).toEqual({ ...pointing, ref: null });
    third.close();
  });

  it('do not count a window that went away while its history was being read', async () => {
    let release = (): void => undefined;
    const gate = new Promise<void>((resolve) => {
      release = resolve;
    });
    const reading = jest.spyOn(HistoryStore.prototype, 'since').mockImplementationOnce(async () => {
      await gate;
      return [];
    });
    const hasty = await Listener.open(`${DEMO}/events`);
    await until(() => program.program.windows.count === 1);
    hasty.close();
    await until(() => program.program.windows.count === 0);
    release();
    reading.mockRestore();
    const steady = await Listener.open(`${DEMO}/events`);
    expect(await steady.next('presence')).toEqual({ windows: 1 });
    steady.close();
  });

  it('come in order, although lines are written while a window is told what it missed', async () => {
    await change('Ada', 'Imke Tarrow');
    const real = HistoryStore.prototype.since;
    const reading = jest.spyOn(HistoryStore.prototype, 'since').mockImplementationOnce(async function (
      this: HistoryStore,
      ...asked
    ) {
      const lines = await real.apply(this, asked);
      // Read, and not told yet: somebody writes.
      await change('Bo', 'Ada');
      await change('Cy', 'Bo');
      return lines;
    });
    const window = await Listener.open(`${DEMO}/events?since=0`);
    const revisions = [];
    for (let i = 0; i < 3; i++) revisions.push((await window.next('entry'))['revision']);
    expect(revisions).toEqual([1, 2, 3]);
    reading.mockRestore();
    window.close();
  });

  it('tell whoever made a change what undo would take next, and nobody else', async () => {
    const [own, other] = await Promise.all([
      Listener.open(`${DEMO}/events?author=desk`),
      Listener.open(`${DEMO}/events?author=booth`),
    ]);
    await change('Ada', 'Imke Tarrow');
    expect(await own.next('entry')).toMatchObject({
      undo: { undo: { revision: 1, label: 'Performer Ada' } },
    });
    expect(await other.next('entry')).not.toHaveProperty('undo');
    own.close();
    other.close();
  });

  it('say that the studio is gone, and which one is meant', async () => {
    const { body } = await program.api.get(DEMO).expect(200);
    const { incarnation } = body as { incarnation: string };
    const window = await Listener.open(`${DEMO}/events?incarnation=${incarnation}`);
    await program.api.delete(DEMO).expect(204);
    expect(await window.next('gone')).toEqual({ because: 'removed' });
    const early = await Listener.open(`${DEMO}/events?incarnation=${incarnation}`);
    expect(await early.next('gone')).toEqual({ because: 'removed' });
    await program.api.post('/api/studios/demo').expect(201);
    const late = await Listener.open(`${DEMO}/events?incarnation=${incarnation}`);
    expect(await late.next('gone')).toEqual({ because: 'replaced' });
  });

  it('send a window that missed very much back to the start', async () => {
    const { entries } = program.program.database.models;
    const rows = Array.from({ length: 501 }, (_, i) => ({
      ...{ studioId: 'saltglass-rooms', revision: i + 1, changeId: `change-${String(i)}`, label: 'x' },
      ...{ author: 'desk', at: '2026-03-01', edits: '[]', inverse: '[]', editCount: 0 },
    }));
    await entries.bulkCreate(rows);
    await program.program.database.models.studios.update({ revision: 501 }, { where: {} });
    const window = await Listener.open(`${DEMO}/events?since=0`);
    expect(await window.next('gone')).toEqual({ because: 'behind' });
  });

  it('let go of a window that does not read, and nothing else happens to the server', async () => {
    // It asks, and never takes anything off the wire.
    const lazy = connect((server.address() as AddressInfo).port, '127.0.0.1');
    lazy.pause();
    lazy.write(`GET ${DEMO}/events HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`);
    await until(() => program.program.windows.count === 1);
    const line = { revision: 1, change: 'c', label: 'x'.repeat(100_000), author: 'a', at: 't' };
    for (let revision = 1; program.program.windows.count > 0; revision++) {
      const entry = { ...line, revision, edits: '[]', inverse: '[]', editCount: 0 };
      program.program.windows.entry('saltglass-rooms', entry, {});
      // The system's own buffers take some of it, in their own time.
      await new Promise((resolve) => setImmediate(resolve));
    }
    await program.api.get('/api/health').expect(200);
    lazy.destroy();
  });

  it('end for a window that was revoked, although it does not read and more is written', async () => {
    const { windows } = program.program;
    const ended: string[] = [];
    const response = new Writable({ write: () => undefined, highWaterMark: 1 });
    const stream = new EventStream(response as never, 0, () => ended.push('ended'));
    windows.join('saltglass-rooms', { stream, author: 'tablet', tablet: { id: 't1', name: 'Tablet' } });
    const lines = (count: number): void => {
      for (let i = 0; i < count; i++) stream.tell('presence', { windows: i });
    };
    lines(3);
    windows.revoked('t1');
    // Writing after the end threw into nowhere, and took the server with it.
    expect(() => {
      lines(3);
      stream.beat();
      stream.end();
    }).not.toThrow();
    expect(ended).toEqual(['ended']);
    response.destroy(new Error('the wire broke'));
    await new Promise((resolve) => setImmediate(resolve));
    await program.api.get('/api/health').expect(200);
  });

  it('fail without the change that was stored failing with them', async () => {
    program.program.keeper.listen({
      entry: () => {
        throw new Error('a listener that throws');
      },
      gone: () => undefined,
    });
    await change('Ada', 'Imke Tarrow');
    const { body } = await program.api.get(DEMO).expect(200);
    expect((body as { revision: number }).revision).toBe(1);
  });
});
