import type { Documents } from './documents';
import type { StudioKeeper } from './studioKeeper';
import type { StudioStore } from './studioStore';

/** Takes new studios in, each under an id that is free. */
export class Intake {
  constructor(
    private readonly store: StudioStore,
    private readonly keeper: StudioKeeper,
    private readonly now: () => string,
  ) {}

  /** @returns whether it was taken in; not where there is one of that id. */
  take(documents: Documents): Promise<boolean> {
    return this.keeper.exclusively(documents.id, async () => {
      if ((await this.store.standing(documents.id)) !== undefined) return false;
      await this.store.create(documents, this.now());
      return true;
    });
  }
}
