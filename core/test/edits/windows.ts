import { saltglassRooms } from '../fixtures/thin/saltglass';
import type { Change } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import type { Entry } from '@ft/core/edits/ledger';
import { accept } from '@ft/core/edits/ledger';
import type { Replica } from '@ft/core/edits/replica';
import { propose, receive, replicaOf, withdraw } from '@ft/core/edits/replica';
import { undoStacks } from '@ft/core/edits/undoStack';
import { writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';

/** The server of the test: the same core, kept in memory. */
class Server {
  readonly entries: Entry[] = [];

  constructor(public studio: Studio) {}

  /** The line of the history that a change became, or undefined where it was refused. */
  submit(change: Change, author: string, undoes?: number): Entry | undefined {
    const known = this.entries.find((entry) => entry.change === change.id);
    if (known !== undefined) return known;
    const making = { author, at: '', ...(undoes !== undefined && { undoes }) };
    const result = accept(this.studio, this.entries.length, change, making);
    if (!result.ok) return undefined;
    this.studio = result.studio;
    this.entries.push(result.entry);
    return result.entry;
  }

  undo(author: string, id: string): void {
    const target = undoStacks(this.entries, author).done.at(-1);
    const entry = this.entries.find(({ revision }) => revision === target);
    if (entry !== undefined)
      this.submit({ id, label: 'Undo', edits: [...entry.inverse] }, author, entry.revision);
  }
}

/** A window: its replica, and a connection that comes and goes. */
class Client {
  replica: Replica;
  online = true;

  constructor(
    private readonly server: Server,
    readonly name: string,
    private readonly editsOf: EditsOf,
  ) {
    this.replica = replicaOf(server.studio, server.entries.length);
  }

  act(dice: Dice, salt: string): void {
    const edits = this.editsOf(this.replica.studio, dice, salt);
    if (edits.length === 0) return;
    const proposal = propose(this.replica, { id: `change-${salt}`, label: salt, edits: [...edits] });
    if (proposal.ok) this.replica = proposal.replica;
  }

  /** Sends the oldest pending change. `answerLost`: the server has it, but the window never hears so. */
  send(answerLost: boolean): void {
    const change = this.replica.pending[0];
    if (change === undefined || !this.online) return;
    const entry = this.server.submit(change, this.name);
    if (answerLost) this.online = false;
    else if (entry === undefined) this.replica = withdraw(this.replica, change.id);
    else if (entry.revision <= this.replica.revision + 1) this.replica = receive(this.replica, entry);
  }

  /** Hears some or all of what it has missed. */
  listen(most: number): void {
    if (!this.online) return;
    for (const entry of this.server.entries.slice(this.replica.revision, this.replica.revision + most))
      this.replica = receive(this.replica, entry);
  }

  /** A reload: what the browser kept is tried again on what the server has now. */
  reload(): void {
    this.replica = replicaOf(this.server.studio, this.server.entries.length, this.replica.pending);
    this.online = true;
  }
}

/** What a window might do next to a studio. */
export type EditsOf = (studio: Studio, dice: Dice, salt: string) => readonly EditJson[];

/** Desk, tablet and booth at work on one studio, with connections that come and go; at the end all have heard all. */
export function runWindows(
  seed: number,
  editsOf: EditsOf,
  start: Studio = saltglassRooms(),
): { server: Server; clients: readonly Client[] } {
  const dice = seeded(seed);
  const server = new Server(start);
  const clients = ['desk', 'tablet', 'booth'].map((name) => new Client(server, name, editsOf));
  for (let step = 0; step < 25; step++) {
    const client = dice.pick(clients);
    const salt = `${String(seed)}-${String(step)}`;
    const moves: readonly (() => void)[] = [
      () => {
        client.act(dice, salt);
      },
      () => {
        client.act(dice, salt);
      },
      () => {
        client.send(dice.chance(0.2));
      },
      () => {
        client.listen(1 + dice.below(3));
      },
      () => {
        client.online = !client.online;
      },
      () => {
        server.undo(client.name, `undo-${salt}`);
      },
      () => {
        if (dice.chance(0.3)) client.reload();
      },
    ];
    dice.pick(moves)();
  }
  for (const client of clients) {
    client.online = true;
    for (let left = 60; client.replica.pending.length > 0 && left > 0; left--) {
      client.listen(Infinity);
      client.send(false);
      client.listen(Infinity);
    }
  }
  for (const client of clients) client.listen(Infinity);
  return { server, clients };
}

/** That every window ends with what the server holds, and nothing of its own left over. */
export function expectAgreement({ server, clients }: ReturnType<typeof runWindows>): void {
  const held = writeBundle(server.studio);
  for (const { replica } of clients) {
    expect(replica.pending).toEqual([]);
    expect(replica.revision).toBe(server.entries.length);
    expect(writeBundle(replica.studio)).toBe(held);
  }
}
