/** "3 Foley": number and source, and the performer where there is one. */
export function threadName(thread: { number: number; source: string; performer: string }): string {
  const who = [thread.performer, thread.source].filter((part) => part !== '').join(', ');
  return `${thread.number} ${who}`.trim();
}
