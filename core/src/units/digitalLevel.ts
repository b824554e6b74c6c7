/**
 * The relation between digital and analogue level, as an engineer states it:
 * "-18 dBFS = +4 dBu" is `{ dbfs: -18, dbu: 4 }`.
 */
export interface LineUp {
  readonly dbfs: number;
  readonly dbu: number;
}

/** The analogue level of a 0 dBFS sine, in dBu, under a line-up. `dBu = dBFS + referenceDbu`. */
export const referenceDbuOf = (lineUp: LineUp): number => lineUp.dbu - lineUp.dbfs;
