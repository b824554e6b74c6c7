/** What a command says: text for people, the same as JSON for programs, and its exit code. */
export interface Answer {
  readonly text: string;
  readonly json: unknown;
  readonly exitCode: 0 | 1;
}
