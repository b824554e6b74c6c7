import type { Response } from 'express';

/** What may wait for a window that does not read, bytes. It gets the rest when it comes back. */
const MOST_WAITING = 1024 * 1024;

/**
 * One window's stream of server-sent events. Lines that come while it is still being told what it missed are
 * held back, so that they stand in their order; a window that does not read is let go.
 */
export class EventStream {
  private held: { revision: number; text: string }[] | undefined = [];
  private sent: number;
  private isOpen: boolean;

  /**
   * @param since the revision the window has.
   * @param onEnd told once, when nothing more can be sent.
   */
  constructor(
    private readonly response: Response,
    since: number,
    private readonly onEnd: () => void,
  ) {
    this.sent = since;
    // Whoever asked may have left before anything was said.
    this.isOpen = !response.closed && !response.destroyed;
    // Whatever happens on the wire ends the stream, and nothing else.
    response.on('error', () => {
      this.gone();
    });
    response.on('close', () => {
      this.gone();
    });
  }

  get ended(): boolean {
    return !this.isOpen;
  }

  /** A line of the history, as JSON. One that the window has is left out. */
  entry(revision: number, json: string): void {
    const text = `id: ${String(revision)}\nevent: entry\ndata: ${json}\n\n`;
    if (this.held !== undefined) this.held.push({ revision, text });
    else this.line(revision, text);
  }

  /** A line that was missed, before those that are held back. */
  missed(revision: number, json: string): void {
    this.line(revision, `id: ${String(revision)}\nevent: entry\ndata: ${json}\n\n`);
  }

  /** Everything missed has been told: what came meanwhile follows. */
  caughtUp(): void {
    const held = this.held ?? [];
    this.held = undefined;
    for (const { revision, text } of held) this.line(revision, text);
  }

  tell(event: string, data: unknown): void {
    this.write(`event: ${event}\ndata: ${JSON.stringify(data)}\n\n`);
  }

  beat(): void {
    this.write(': here\n\n');
  }

  end(): void {
    if (!this.isOpen) return;
    this.gone();
    this.response.end();
  }

  private line(revision: number, text: string): void {
    if (revision <= this.sent) return;
    this.sent = revision;
    this.write(text);
  }

  private write(text: string): void {
    if (!this.isOpen) return;
    if (this.response.writableLength > MOST_WAITING) {
      this.gone();
      this.response.destroy();
      return;
    }
    this.response.write(text);
  }

  private gone(): void {
    if (!this.isOpen) return;
    this.isOpen = false;
    this.held = undefined;
    this.onEnd();
  }
}
