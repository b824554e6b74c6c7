import type { ChildProcess } from 'node:child_process';
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';

/** The program as it ships, on a data folder: started, killed and stopped. */
export class ServerProcess {
  private child: ChildProcess | undefined;
  readonly base: string;
  readonly shareBase: string;
  /** What it said to the terminal that it should not: stacks of errors. */
  readonly stacks: string[] = [];
  starts = 0;

  constructor(
    private readonly folder: string,
    private readonly port: number,
  ) {
    this.base = `http://127.0.0.1:${String(port)}`;
    this.shareBase = `http://127.0.0.1:${String(port + 1)}`;
  }

  async start(): Promise<void> {
    this.starts++;
    const child = spawn(process.execPath, ['server/dist/main.mjs'], {
      env: {
        ...process.env,
        ...{ FT_DATA: this.folder, PORT: String(this.port), FT_SHARE_PORT: String(this.port + 1) },
      },
    });
    this.child = child;
    const listen = (chunk: Buffer): void => {
      if (/^\s+at /m.test(chunk.toString())) this.stacks.push(chunk.toString());
    };
    child.stderr.on('data', listen);
    child.stdout.on('data', listen);
    while (!(await this.answers())) {
      if (child.exitCode !== null) throw new Error(`the program ended with ${String(child.exitCode)}`);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  }

  async end(signal: 'SIGKILL' | 'SIGTERM'): Promise<void> {
    const { child } = this;
    if (child?.exitCode !== null) return;
    const gone = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await gone;
  }

  /** Whether it ended by itself, which it never should. */
  get crashed(): boolean {
    const code = this.child?.exitCode;
    return code !== undefined && code !== null;
  }

  /** Memory it holds, MB. */
  memoryMb(): number {
    const status = readFileSync(`/proc/${String(this.child?.pid)}/status`, 'utf8');
    return Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1000;
  }

  async token(base = this.base): Promise<Record<string, string>> {
    const answer = await fetch(`${base}/api/health`);
    const cookies = answer.headers.get('set-cookie') ?? '';
    return { 'x-thread-page': /ft_page=([^;]+)/.exec(cookies)?.[1] ?? '' };
  }

  private answers(): Promise<boolean> {
    return fetch(`${this.base}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  }
}
