import type { EntryMessage } from '@ft/contract/history';
import type { StudioAt } from '@ft/contract/studioAt';
import { errorSchema, KEEPING_CODES } from '@ft/contract/errors';
import { entrySchema } from '@ft/contract/history';
import { studioAtSchema } from '@ft/contract/studioAt';
import type { Change } from '@ft/core/edits/change';
import { changeSchema } from '@ft/core/edits/change';
import type { Replica } from '@ft/core/edits/replica';
import { propose, receive, replicaOf, withdraw } from '@ft/core/edits/replica';
import type { Dice } from '../../core/test/fixtures/seeded';
import { soakEdits } from './soakEdits';
import type { ServerProcess } from './serverProcess';

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** What became of a client's changes. */
export interface Tally {
  /** Ids of changes the server said it has, per incarnation. */
  readonly acknowledged: Map<string, Set<string>>;
  refused: number;
  /** Kept and sent again, because the answer was no refusal. */
  kept: number;
  reloads: number;
  /** Left in another incarnation of the studio, and said to be. */
  strays: number;
}

/**
 * A window without a screen: the same replica as the browser's, the same way to send, keep and catch up. It
 * makes changes at random until it is told to stop.
 */
export class SoakClient {
  readonly tally: Tally = { acknowledged: new Map(), refused: 0, kept: 0, reloads: 0, strays: 0 };
  private replica: Replica | undefined;
  private incarnation = '';
  private early: EntryMessage[] = [];
  private serial = 0;
  private isMaking = true;
  private isOpen = true;
  private stream: AbortController | undefined;

  constructor(
    readonly name: string,
    private readonly server: ServerProcess,
    private readonly studioId: string,
    private readonly dice: Dice,
    private readonly gapMs: number,
  ) {}

  /** Everything it does, until `leave`. */
  async live(): Promise<void> {
    await this.reload();
    await Promise.all([this.listen(), this.make(), this.send()]);
  }

  stopMaking(): void {
    this.isMaking = false;
  }

  leave(): void {
    this.isOpen = false;
    this.stream?.abort();
  }

  get waiting(): number {
    return this.replica?.pending.length ?? 0;
  }

  get standing(): { readonly revision: number; readonly incarnation: string } {
    return { revision: this.replica?.revision ?? -1, incarnation: this.incarnation };
  }

  get document(): string {
    return JSON.stringify(this.replica?.confirmed);
  }

  private async reload(): Promise<void> {
    this.tally.reloads++;
    for (;;) {
      if (!this.isOpen) return;
      try {
        const answer = await fetch(`${this.server.base}/api/studios/${this.studioId}`);
        if (answer.ok) {
          this.opened(studioAtSchema.parse(await answer.json()));
          return;
        }
      } catch {
        // Not there just now.
      }
      await pause(200);
    }
  }

  private opened({ studio, revision, incarnation }: StudioAt): void {
    const isOther = incarnation !== this.incarnation && this.incarnation !== '';
    const pending = this.replica?.pending ?? [];
    if (isOther) this.tally.strays += pending.length;
    this.incarnation = incarnation;
    this.early = [];
    this.replica = replicaOf(studio, revision, isOther ? [] : pending);
  }

  private arrived(entry: EntryMessage): void {
    if (this.replica === undefined) return;
    this.early.push(entry);
    for (;;) {
      const { revision } = this.replica;
      const next = this.early.find((line) => line.revision <= revision + 1);
      if (next === undefined) return;
      this.early.splice(this.early.indexOf(next), 1);
      this.replica = receive(this.replica, next);
    }
  }

  private async make(): Promise<void> {
    while (this.isMaking) {
      await pause(this.gapMs * (0.5 + this.dice.roll()));
      const { replica } = this;
      // A person stops when nothing gets through for long.
      if (replica === undefined || replica.pending.length > 20) continue;
      const salt = `${this.name}${String(++this.serial)}`;
      const edits = soakEdits(replica.studio, this.dice, salt);
      const parsed = changeSchema.safeParse({ id: `change-${salt}`, label: `By ${salt}`, edits });
      if (!parsed.success) continue;
      const proposal = propose(replica, parsed.data);
      if (proposal.ok) this.replica = proposal.replica;
    }
  }

  private async send(): Promise<void> {
    while (this.isOpen) {
      const change = this.replica?.pending[0];
      if (change === undefined) await pause(20);
      else if (!(await this.sent(change))) await pause(250);
    }
  }

  /** @returns whether the server has said what becomes of it. */
  private async sent(change: Change): Promise<boolean> {
    const { incarnation } = this;
    try {
      const answer = await fetch(`${this.server.base}/api/studios/${this.studioId}/changes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', ...(await this.server.token()) },
        body: JSON.stringify({ author: this.name, incarnation, change }),
      });
      const body: unknown = await answer.json();
      if (incarnation !== this.incarnation) return true;
      if (answer.ok) this.acknowledge(entrySchema.parse(body));
      else return await this.refused(change, answer.status, body);
      return true;
    } catch {
      this.tally.kept++;
      return false;
    }
  }

  private acknowledge(entry: EntryMessage): void {
    const known = this.tally.acknowledged.get(this.incarnation) ?? new Set<string>();
    this.tally.acknowledged.set(this.incarnation, known.add(entry.change));
    this.arrived(entry);
  }

  private async refused(change: Change, status: number, body: unknown): Promise<boolean> {
    const parsed = errorSchema.safeParse(body);
    const code = parsed.success ? parsed.data.code : '';
    if (code === 'replaced' || code === 'not-found') {
      await this.reload();
      return false;
    }
    if (!parsed.success || status >= 500 || KEEPING_CODES.has(code)) {
      this.tally.kept++;
      return false;
    }
    this.tally.refused++;
    if (this.replica !== undefined) this.replica = withdraw(this.replica, change.id);
    return true;
  }

  private async listen(): Promise<void> {
    while (this.isOpen) {
      try {
        await this.hear();
      } catch {
        // The wire broke, or the program did.
      }
      await pause(150);
    }
  }

  private async hear(): Promise<void> {
    const abort = new AbortController();
    this.stream = abort;
    const { revision, incarnation } = this.standing;
    const query = new URLSearchParams({ since: String(revision), incarnation, author: this.name });
    const address = `${this.server.base}/api/studios/${this.studioId}/events?${query.toString()}`;
    const answer = await fetch(address, { signal: abort.signal });
    let text = '';
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      text += Buffer.from(chunk).toString('utf8');
      const blocks = text.split('\n\n');
      text = blocks.pop() ?? '';
      for (const block of blocks) {
        const kind = /^event: (.*)$/m.exec(block)?.[1];
        const data = /^data: (.*)$/m.exec(block)?.[1] ?? 'null';
        if (kind === 'entry') this.arrived(entrySchema.parse(JSON.parse(data)));
        if (kind === 'gone') {
          await this.reload();
          return;
        }
      }
    }
  }
}
