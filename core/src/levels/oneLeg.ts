import type { Edge, Lane } from '../graph/signalGraph';

/** An unbalanced input takes one leg of an actively balanced output: half the voltage. */
export const ONE_LEG_DB = 20 * Math.log10(1 / 2);

/** Whether copper joins a balanced line output to an unbalanced line input. */
export const takesOneLeg = (driver: Lane, input: Lane): boolean =>
  driver.medium === 'line' &&
  input.medium === 'line' &&
  driver.balanced === true &&
  input.balanced === false &&
  driver.face !== 'inside' &&
  input.face !== 'inside';

/**
 * What an edge into an input loses because only one leg is taken; 0 where both are.
 * @param driver the lane with electronics that drives the copper the edge is part of.
 */
export const oneLegAt = (driver: Lane, edge: Edge, to: Lane): number =>
  edge.passive && to.medium !== 'any' && takesOneLeg(driver, to) ? ONE_LEG_DB : 0;
