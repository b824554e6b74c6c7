import type { LogRow } from '@ft/core/takes/logRows';
import type { LogStore } from '../takes/logStore';
import type { Documents } from './documents';
import type { StudioKeeper } from './studioKeeper';
import type { StudioStore } from './studioStore';

/** Takes new studios in, each under an id that is free. */
export class Intake {
  constructor(
    private readonly store: StudioStore,
    private readonly keeper: StudioKeeper,
    private readonly takeLog: LogStore,
    private readonly now: () => string,
  ) {}

  /**
   * @param log takes that were logged in it.
   * @returns whether it was taken in; not where there is one of that id.
   */
  take(documents: Documents, log: readonly LogRow[] = []): Promise<boolean> {
    return this.keeper.exclusively(documents.id, async () => {
      if ((await this.store.standing(documents.id)) !== undefined) return false;
      await this.store.create(documents, this.now(), [], (transaction) =>
        this.takeLog.fill(documents.id, log, transaction),
      );
      return true;
    });
  }
}
