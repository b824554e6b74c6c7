import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { StudioStore } from '../src/studioStore';
import type { Program } from './helpers';
import { DEMO, performerChange, startProgram } from './helpers';

let program: Program;
let server: Server;
let address: string;

beforeEach(async () => {
  program = await startProgram();
  await program.api.post('/api/studios/demo').expect(201);
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

  it('do not count a window that went away while its history was being read', async () => {
    let release = (): void => undefined;
    const gate = new Promise<void>((resolve) => {
      release = resolve;
    });
    const reading = jest.spyOn(StudioStore.prototype, 'entriesSince').mockImplementationOnce(async () => {
      await gate;
      return [];
    });
    const hasty = await Listener.open(`${DEMO}/events`);
    hasty.close();
    // Time for the server to learn that the connection is gone, before it goes on.
    await new Promise((resolve) => setTimeout(resolve, 100));
    release();
    reading.mockRestore();
    const steady = await Listener.open(`${DEMO}/events`);
    expect(await steady.next('presence')).toEqual({ windows: 1 });
    steady.close();
  });

  it('are none for a studio that is not there', async () => {
    expect((await fetch(`${address}/api/studios/nowhere/events`)).status).toBe(404);
  });
});
