import type { Type } from '@angular/core';
import type { WorkPlace } from '../../core/src/actions/workPlace';
import type { Session } from '../../core/src/session/sessionSchema';
import type { Studio } from '../../core/src/session/studioSchema';
import { studioSchema } from '../../core/src/session/studioSchema';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf } from './hands';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

/** A studio of the fixtures under the place the bench opens at. */
function studioAt({ studio }: WorkPlace): Studio {
  const { session, scene } = SALTGLASS_PLACE;
  const text = JSON.stringify({ ...studio, id: 'saltglass-rooms' });
  return studioSchema.parse(
    JSON.parse(text.replaceAll('"scene"', `"${scene}"`).replaceAll('"session"', `"${session}"`)),
  );
}

/** A page with a sheet on a studio of the fixtures, and what tests ask of it. */
export class WorkedPage {
  private constructor(
    readonly app: Bench,
    readonly page: Mounted<unknown>,
    private readonly sheetName: string,
  ) {}

  static async open(it: WorkPlace, component: Type<unknown>, sheetName: string): Promise<WorkedPage> {
    localStorage.clear();
    const api = new MemoryApi();
    api.studioNow = studioAt(it);
    const app = bench(api);
    await app.open();
    return new WorkedPage(app, app.mount(component), sheetName);
  }

  get session(): Session {
    return this.app.api.studioNow.sessions[0]!;
  }

  shown(condition: () => boolean, what?: string): Promise<void> {
    return until(() => {
      this.page.fixture.detectChanges();
      return condition();
    }, what);
  }

  /** So many changes were sent. */
  changed(count: number): Promise<void> {
    return this.shown(() => this.app.api.entries.length === count, `change ${String(count)}`);
  }

  private cell(row: string, title: string): HTMLElement {
    const sheet = this.page.element.querySelector(`[role=grid][aria-label="${this.sheetName}"]`)!;
    return cellOf(sheet, row, title);
  }

  /** A cell once the sheet has drawn it. */
  async there(row: string, title: string): Promise<HTMLElement> {
    await this.shown(() => this.cell(row, title).isConnected, `${title} of ${row}`);
    return this.cell(row, title);
  }

  shows(row: string, title: string, text: string): Promise<void> {
    return this.shown(
      () => this.cell(row, title).textContent.includes(text),
      `${text} as ${title} of ${row}`,
    );
  }

  /** What the notices say. */
  get complaint(): string {
    return this.app.store
      .selectSignal(studioFeature.selectNotices)()
      .map(({ text }) => text)
      .join(' ');
  }
}
