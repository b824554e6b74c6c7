/** The only file with `import.meta.url`: Jest cannot parse it and puts a stub in its place. */
export function createPlannerWorker(): Worker {
  return new Worker(new URL('./planner.worker', import.meta.url), { type: 'module', name: 'planner' });
}
