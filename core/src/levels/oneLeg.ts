import type { Edge, Lane } from '../graph/signalGraph';

/** An unbalanced input takes one leg of an actively balanced output: half the voltage. */
export const ONE_LEG_DB = 20 * Math.log10(1 / 2);

/** Whether a transformer on either side parts the earths, so that nothing is lost and no hum comes in. */
export const isParted = (driver: Lane, input: Lane): boolean =>
  driver.output?.floating === true || input.input?.floating === true;

/** Whether copper joins a balanced line output to an unbalanced line input, and no transformer helps. */
export const takesOneLeg = (driver: Lane, input: Lane): boolean =>
  driver.medium === 'line' &&
  input.medium === 'line' &&
  driver.balanced === true &&
  input.balanced === false &&
  driver.output?.floating !== true &&
  driver.face !== 'inside' &&
  input.face !== 'inside';

/**
 * What an edge into an input loses because only one leg is taken; 0 where both are.
 * @param driver the lane with electronics that drives the copper the edge is part of.
 */
export const oneLegAt = (driver: Lane, edge: Edge, to: Lane): number =>
  edge.passive && to.medium !== 'any' && takesOneLeg(driver, to) ? ONE_LEG_DB : 0;
