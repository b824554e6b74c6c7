import { Observable } from 'rxjs';
import { goneSchema, pointingSchema, presenceSchema } from '@ft/contract/events';
import { entrySchema } from '@ft/contract/history';
import type { Gone, Pointing } from '@ft/contract/events';
import type { EntryMessage } from '@ft/contract/history';
import type { LogEvent } from '@ft/contract/takeLog';
import { logEventSchema } from '@ft/contract/takeLog';
import type { StudioRef } from './studio-api.service';
import { pauseMs } from './pause';

export type StudioEvent =
  | { readonly kind: 'entry'; readonly entry: EntryMessage }
  | { readonly kind: 'presence'; readonly windows: number }
  | { readonly kind: 'pointing'; readonly pointing: Pointing }
  | { readonly kind: 'log'; readonly event: LogEvent }
  | { readonly kind: 'gone'; readonly because: Gone['because'] }
  | { readonly kind: 'live'; readonly live: boolean };

const dataOf = (event: Event): unknown => JSON.parse((event as MessageEvent<string>).data);

/**
 * History lines of a studio as they happen. Reconnects by itself, from the revision `since` gives at that
 * moment, so that nothing is missed; ends when the studio is gone.
 */
// eslint-disable-next-line max-lines-per-function -- one connection from its opening to its end
export function studioEvents(
  { id, incarnation }: StudioRef,
  author: string,
  since: () => number,
): Observable<StudioEvent> {
  // eslint-disable-next-line max-lines-per-function -- one connection from its opening to its end
  return new Observable((subscriber) => {
    let source: EventSource | undefined;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let attempts = 0;
    const address = (): string =>
      `/api/studios/${id}/events?${new URLSearchParams({ since: String(since()), incarnation, author }).toString()}`;
    const connect = (): void => {
      source = new EventSource(address());
      source.addEventListener('open', () => {
        attempts = 0;
        subscriber.next({ kind: 'live', live: true });
      });
      source.addEventListener('entry', (event) => {
        subscriber.next({ kind: 'entry', entry: entrySchema.parse(dataOf(event)) });
      });
      source.addEventListener('presence', (event) => {
        subscriber.next({ kind: 'presence', windows: presenceSchema.parse(dataOf(event)).windows });
      });
      source.addEventListener('pointing', (event) => {
        subscriber.next({ kind: 'pointing', pointing: pointingSchema.parse(dataOf(event)) });
      });
      source.addEventListener('log', (event) => {
        subscriber.next({ kind: 'log', event: logEventSchema.parse(dataOf(event)) });
      });
      source.addEventListener('gone', (event) => {
        source?.close();
        subscriber.next({ kind: 'gone', because: goneSchema.parse(dataOf(event)).because });
        subscriber.complete();
      });
      source.addEventListener('error', () => {
        source?.close();
        attempts++;
        subscriber.next({ kind: 'live', live: false });
        retry = setTimeout(connect, pauseMs(attempts));
      });
    };
    connect();
    return () => {
      clearTimeout(retry);
      source?.close();
    };
  });
}
