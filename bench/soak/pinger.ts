/**
 * Asks the simplest question again and again, from a process of its own, and says at the end how long the
 * answers took, ms. What is waited for is the server, not whoever else is busy here.
 */
const [base = ''] = process.argv.slice(2);
const times: number[] = [];

process.on('SIGTERM', () => {
  const sorted = [...times].sort((a, b) => a - b);
  const at = (share: number): number =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0;
  console.log(JSON.stringify({ asked: times.length, median: at(0.5), most99: at(0.99), longest: at(1) }));
  process.exit(0);
});

for (;;) {
  const started = performance.now();
  const isUp = await fetch(`${base}/api/studios`).then(
    async (answer) => (await answer.text()).length > 0 && answer.ok,
    () => false,
  );
  if (isUp) times.push(performance.now() - started);
  await new Promise((resolve) => setTimeout(resolve, 100));
}

export {};
