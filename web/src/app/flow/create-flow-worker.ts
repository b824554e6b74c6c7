/** The only file of the flow with `import.meta.url`: Jest cannot parse it and puts a stub in its place. */
export function createFlowWorker(): Worker {
  return new Worker(new URL('./flow.worker', import.meta.url), { type: 'module', name: 'flow' });
}
