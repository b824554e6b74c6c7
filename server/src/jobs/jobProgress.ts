/** How far a job is: what it does now, which of how many steps that is. */
export interface JobProgress {
  readonly step: string;
  readonly at: number;
  readonly of: number;
}

export type Tell = (step: string, at: number, of: number) => void;
