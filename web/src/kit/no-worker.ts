/** The kit has no planner: nothing is built for it, and nobody asks. */
export function createPlannerWorker(): Worker {
  throw new Error('the kit works without a planner');
}
