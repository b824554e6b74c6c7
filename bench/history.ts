import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { HISTORY_PAGE } from '@ft/contract/history';
import { openDatabase } from '../server/src/database/openDatabase';
import { HistoryStore } from '../server/src/history/historyStore';
import { documentsOf } from '../server/src/studios/documents';
import { StudioStore } from '../server/src/studios/studioStore';
import { generatedStudio } from './generatedStudio';

const LENGTHS = [1_000, 10_000, 100_000] as const;
const ROUNDS = 15;

async function medianMs(work: () => Promise<unknown>): Promise<number> {
  await work();
  const times: number[] = [];
  for (let i = 0; i < ROUNDS; i++) {
    const started = performance.now();
    await work();
    times.push(performance.now() - started);
  }
  return times.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)] ?? 0;
}

/** Undo state, a page of the history and one more line of it, in histories that grow. */
export async function history(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'ft-bench-history-'));
  console.log('\n    history      undo state    newest page    one more line');
  let first: readonly number[] | undefined;
  for (const length of LENGTHS) {
    const database = await openDatabase(join(folder, `${String(length)}.sqlite`));
    const lines = new HistoryStore(database);
    const studio = generatedStudio(2);
    await new StudioStore(database, lines).create(documentsOf(studio), '2026-03-01T10:00:00Z');
    const line = (revision: number) => ({
      ...{
        revision,
        change: `change-${String(revision)}`,
        label: `Gain ${String(revision)}`,
        author: 'desk',
      },
      ...{
        at: '2026-03-01T10:00:00Z',
        edits: '[{"type":"setting.set"}]',
        inverse: '[{"type":"setting.set"}]',
      },
      editCount: 1,
    });
    const rows = Array.from({ length }, (_, i) => {
      const { change, ...row } = line(i + 1);
      return { ...row, changeId: change, studioId: studio.id, stack: 'done' as const };
    });
    for (let at = 0; at < length; at += 5000)
      await database.models.entries.bulkCreate(rows.slice(at, at + 5000));
    let next = length;
    const times = [
      await medianMs(() => lines.undoState(studio.id, 'desk')),
      await medianMs(() => lines.page(studio.id, Number.MAX_SAFE_INTEGER, HISTORY_PAGE, 'desk')),
      await medianMs(() => database.write((write) => lines.append(studio.id, line(++next), write))),
    ];
    first ??= times;
    const cell = (ms: number, i: number): string =>
      `${ms.toFixed(1)} ms (${(ms / (first?.[i] ?? ms)).toFixed(1)} x)`.padStart(16);
    console.log(`${String(length).padStart(11)} ${times.map(cell).join('')}`);
    await database.close();
  }
  rmSync(folder, { recursive: true });
}
