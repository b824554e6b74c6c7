/** What one job may cost. */
export interface Budget {
  /** Time it may run, ms; waiting for its turn does not count. */
  readonly timeMs: number;
  /** Memory of its thread, MB. */
  readonly memoryMb: number;
}
