import type { Type } from '@angular/core';
import type { ComponentFixture } from '@angular/core/testing';
import { TestBed } from '@angular/core/testing';
import { Store } from '@ngrx/store';
import { saltglassRooms } from '../../core/test/fixtures/builtDemo';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { appConfig } from '../src/app/app.config';
import { Api } from '../src/app/state/api.service';
import { StudioApi } from '../src/app/state/studio-api.service';
import { studioState } from '../src/app/state/studio-state';
import { planFeature } from '../src/app/state/plan.feature';
import { StudioActions } from '../src/app/state/studio.actions';
import { drawn } from './create-plotly.stub';
import { MemoryApi } from './memory-api';

/** A stand-in for server-sent events: tests say when the connection opens. */
class SilentEventSource extends EventTarget {
  close(): void {
    this.dispatchEvent(new Event('closed'));
  }
}
Object.assign(globalThis, { EventSource: SilentEventSource });

/** A bound for what never comes, not for what is slow. */
const PATIENCE_MS = 20_000;

/**
 * Waits until something has come about on the screen or in the store. A condition that looks into
 * what is not drawn yet throws; that is "not yet", and the cause of the failure if it never comes.
 */
export async function until(condition: () => boolean, what = 'what the test waits for'): Promise<void> {
  const end = Date.now() + PATIENCE_MS;
  for (;;) {
    let cause: unknown;
    try {
      if (condition()) return;
    } catch (error) {
      cause = error;
    }
    if (Date.now() > end) throw new Error(`${what} did not come about`, { cause });
    await new Promise((resolve) => setTimeout(resolve, 5));
  }
}

export interface Bench {
  readonly api: MemoryApi;
  readonly store: Store;
  open(): Promise<void>;
  mount<T>(component: Type<T>, inputs?: Readonly<Record<string, unknown>>): Mounted<T>;
}

export interface Mounted<T> {
  readonly fixture: ComponentFixture<T>;
  readonly element: HTMLElement;
  /** The text of the element as one line. */
  text(): string;
  press(target: Element, key: string, more?: KeyboardEventInit): void;
  /** The button of that label, or with that text on it. */
  button(name: RegExp): HTMLButtonElement;
  /** Waits until the page says something. */
  says(part: string): Promise<void>;
}

/** A bench with the demo open on it, and no chart drawn yet. */
export async function demoBench(): Promise<Bench> {
  const api = new MemoryApi();
  api.studioNow = saltglassRooms();
  const app = bench(api);
  await app.open();
  drawn.length = 0;
  return app;
}

/** The whole state of the application, with the server of the test and the real planner behind it. */
export function bench(api = new MemoryApi()): Bench {
  TestBed.configureTestingModule({
    providers: [
      ...appConfig.providers,
      ...studioState,
      { provide: Api, useValue: api },
      { provide: StudioApi, useValue: api },
    ],
  });
  const store = TestBed.inject(Store);
  const plan = store.selectSignal(planFeature.selectPlan);
  return {
    api,
    store,
    async open() {
      store.dispatch(StudioActions.open({ studioId: 'saltglass-rooms', place: SALTGLASS_PLACE }));
      await until(() => plan() !== null, 'the plan');
    },
    mount(component, inputs = {}) {
      const fixture = TestBed.createComponent(component);
      const element = fixture.nativeElement as HTMLElement;
      for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
      document.body.append(element);
      fixture.detectChanges();
      return {
        fixture,
        element,
        text: () => element.textContent.replace(/\s+/g, ' ').trim(),
        press(target, key, more = {}) {
          target.dispatchEvent(
            new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }),
          );
          fixture.detectChanges();
        },
        button: (name) =>
          [...element.querySelectorAll('button'), ...document.querySelectorAll('button')].find((each) =>
            name.test((each.getAttribute('aria-label') ?? each.textContent).trim()),
          )!,
        says: (part) =>
          until(() => {
            fixture.detectChanges();
            return element.textContent.replace(/\s+/g, ' ').includes(part);
          }, part),
      };
    },
  };
}
