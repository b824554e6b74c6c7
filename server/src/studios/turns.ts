/** Lets work on one thing happen one after another, while work on others goes on beside it. */
export class Turns {
  private readonly last = new Map<string, Promise<unknown>>();

  take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const mine = (this.last.get(key) ?? Promise.resolve()).then(work);
    const settled = mine.catch(() => undefined);
    this.last.set(key, settled);
    void settled.then(() => {
      if (this.last.get(key) === settled) this.last.delete(key);
    });
    return mine;
  }

  /** Waits for everything that was asked for so far. */
  async idle(): Promise<void> {
    await Promise.all(this.last.values());
  }
}
