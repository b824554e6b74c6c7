import { Observable } from 'rxjs';
import { entrySchema, presenceSchema } from '@ft/contract/api';
import type { EntryMessage } from '@ft/contract/api';

export type StudioEvent =
  | { readonly kind: 'entry'; readonly entry: EntryMessage }
  | { readonly kind: 'presence'; readonly windows: number }
  | { readonly kind: 'live'; readonly live: boolean };

/** The time after which a dropped connection is tried again. */
const RETRY_MS = 1500;

const dataOf = (event: Event): unknown => JSON.parse((event as MessageEvent<string>).data);

/**
 * History lines of a studio as they happen. Reconnects by itself, from the revision `since` gives at
 * that moment, so that nothing is missed.
 */
export function studioEvents(studioId: string, since: () => number): Observable<StudioEvent> {
  return new Observable((subscriber) => {
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    const connect = (): void => {
      source = new EventSource(`/api/studios/${studioId}/events?since=${String(since())}`);
      source.addEventListener('open', () => {
        subscriber.next({ kind: 'live', live: true });
      });
      source.addEventListener('entry', (event) => {
        subscriber.next({ kind: 'entry', entry: entrySchema.parse(dataOf(event)) });
      });
      source.addEventListener('presence', (event) => {
        subscriber.next({ kind: 'presence', windows: presenceSchema.parse(dataOf(event)).windows });
      });
      source.addEventListener('error', () => {
        source?.close();
        subscriber.next({ kind: 'live', live: false });
        retry = setTimeout(connect, RETRY_MS);
      });
    };
    connect();
    return () => {
      clearTimeout(retry);
      source?.close();
    };
  });
}
