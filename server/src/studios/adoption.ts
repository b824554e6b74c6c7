import { idFromName } from '@ft/core/rig/ids';
import type { LogStore } from '../takes/logStore';
import type { TabletStore } from '../network/tabletStore';
import type { StudioKeeper } from './studioKeeper';
import type { StudioStore } from './studioStore';
import type { WholeStudio } from './wholeStudio';

interface Parts {
  readonly store: StudioStore;
  readonly keeper: StudioKeeper;
  readonly tablets: TabletStore;
  readonly takeLog: LogStore;
  readonly now: () => string;
}

/**
 * Takes in a studio with its history: under its own id where that is free, else as a copy beside the one that
 * is here, never over it.
 * @param from what it comes from, for the name of a copy: "backup of 2026-11-27".
 * @returns the id it has here.
 */
export async function adopt(
  { documents, entries, tablets, log }: WholeStudio,
  from: string,
  { store, keeper, tablets: tabletStore, takeLog, now }: Parts,
): Promise<string> {
  const here = await store.list();
  const taken = new Set(here.map(({ id }) => id));
  const isTaken = taken.has(documents.id);
  const id = isTaken ? idFromName(`${documents.id} ${from}`, taken, documents.id) : documents.id;
  const name = isTaken ? `${documents.name} (${from})`.slice(0, 80) : documents.name;
  await keeper.exclusively(id, () =>
    store.create({ ...documents, id, name }, now(), entries, async (transaction) => {
      await tabletStore.remember(tablets, now(), transaction);
      await takeLog.fill(id, log, transaction);
    }),
  );
  return id;
}
