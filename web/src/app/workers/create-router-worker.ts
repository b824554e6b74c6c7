/** With `import.meta.url`, which Jest cannot parse: it puts a stub in its place. */
export function createRouterWorker(): Worker {
  return new Worker(new URL('./router.worker', import.meta.url), { type: 'module', name: 'router' });
}
