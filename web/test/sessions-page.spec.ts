import { Router } from '@angular/router';
import { TestBed } from '@angular/core/testing';
import { of, Subject } from 'rxjs';
import type { StudioAt } from '@ft/contract/studioAt';
import { editAdd, editFloorScene } from '@ft/core/edits/make';
import { writeBundle } from '@ft/core/formats/bundle';
import { SessionListPage } from '../src/app/see/sessions/session-list-page';
import { TakeOverPage } from '../src/app/see/sessions/take-over-page';
import { TemplatesPage } from '../src/app/see/sessions/templates-page';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import * as saving from '../src/app/ui/save-text';
import { cellOf, enterCell, field, fill, pick, submit } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

const LEDGER = 'The Lamplighter’s Ledger';
const sessions = () => app.store.selectSignal(studioFeature.selectStudio)()!.sessions;
const named = (name: string) => sessions().find((session) => session.name === name)!;
const lastNotice = (): string => app.store.selectSignal(studioFeature.selectNotices)().at(-1)?.text ?? '';
const url = (): string => TestBed.inject(Router).url;

/** Waits until the sheet shows a row. */
const drawn = (name: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return [...page.element.querySelectorAll('tbody [data-column="0"]')].some(
      ({ textContent }) => textContent.trim() === name,
    );
  }, name);

const cell = (session: string, title: string): HTMLElement => cellOf(page.element, session, title);
const reach = async (name: string): Promise<void> => {
  cell(name, 'Lines').focus();
  await until(() => {
    page.fixture.detectChanges();
    return page.element.querySelector(`[aria-label="Remove ${name}"]`) !== null;
  }, name);
};

async function make(name: string, start?: string): Promise<void> {
  if (start !== undefined) pick(page, 'How it begins', start);
  fill(page, 'Another session', name);
  submit(page.element.querySelector('form'));
  await drawn(name);
}

beforeEach(async () => {
  app = bench();
  await app.open();
});
afterEach(() => {
  page.element.remove();
  jest.restoreAllMocks();
});

describe('sessions', () => {
  beforeEach(async () => {
    page = app.mount(SessionListPage);
    await drawn(LEDGER);
  });

  it('are made empty, or as another one without its day, and opened', async () => {
    await make('Reel 2');
    expect(named('Reel 2')).toMatchObject({ threads: [], lineUp: named(LEDGER).lineUp });
    await until(() => url() === '/studio/saltglass-rooms/reel-2/tracking/track/inputs', 'the new session');
    await make('Reel 3', `as “${LEDGER}”, without what belongs to its day`);
    expect(named('Reel 3').threads).toEqual(named(LEDGER).threads);
  });

  it('refuse a name that is taken at its field, and keep what was typed', () => {
    fill(page, 'Another session', LEDGER.toLowerCase());
    submit(page.element.querySelector('form'));
    page.fixture.detectChanges();
    expect(page.text()).toContain(`There is a session “${LEDGER.toLowerCase()}” already`);
    expect(field('Another session').value).toBe(LEDGER.toLowerCase());
    expect(sessions()).toHaveLength(1);
  });

  it('get a day, go live and are put away in their cells', async () => {
    await make('Reel 2');
    await enterCell(page, cell('Reel 2', 'Day'), '2026-12-05');
    await until(() => named('Reel 2').date === '2026-12-05', 'the day');
    await enterCell(page, cell('Reel 2', 'Day'), 'soon');
    await until(() => lastNotice().includes('“soon” does not fit: a day is written 2026-12-05.'), 'why');
    for (const [title, key] of [
      ['Goes live', 'goesLive'],
      ['Put away', 'archived'],
    ] as const) {
      page.fixture.detectChanges();
      cell('Reel 2', title).focus();
      page.press(cell('Reel 2', title), ' ');
      await until(() => named('Reel 2')[key] === true, title);
    }
  });

  it('are copied under the next free name, and saved as a file with their rig', async () => {
    await reach(LEDGER);
    page.button(/^Copy$/).click();
    await drawn(`${LEDGER} 2`);
    expect(named(`${LEDGER} 2`).threads).toEqual(named(LEDGER).threads);
    const saved = jest.spyOn(saving, 'saveText').mockImplementation(() => undefined);
    page.button(/Save as a file/).click();
    const [name, text] = saved.mock.calls[0]!;
    expect(name).toBe('lamplighters-ledger.thread.json');
    expect((JSON.parse(text) as { studio: { sessions: unknown[] } }).studio.sessions).toHaveLength(1);
  });

  it('are removed, and come back with undo', async () => {
    await make('Reel 2');
    await reach('Reel 2');
    page.button(/^Remove Reel 2$/).click();
    await until(() => sessions().length === 1, 'it gone');
    expect(lastNotice()).toBe('Reel 2 is removed. Undo brings it back.');
    await until(() => app.api.entries.length === 2, 'it stored');
    app.store.dispatch(StudioActions.undo({}));
    await until(() => sessions().length === 2, 'it back');
  });

  it('that are the only one stay, and it is said why', async () => {
    await reach(LEDGER);
    page.button(/^Remove The/).click();
    expect(lastNotice()).toContain('is the only session of Saltglass Rooms');
    expect(sessions()).toHaveLength(1);
  });

  it('that are on the floor ask first', async () => {
    await make('Reel 2');
    const place = { session: named(LEDGER).id, scene: named(LEDGER).scenes[0]!.id };
    app.store.dispatch(StudioActions.change({ label: 'On the floor', edits: [editFloorScene(place, null)] }));
    await until(() => app.store.selectSignal(studioFeature.selectStudio)()!.floor.scene !== undefined);
    await drawn(LEDGER);
    expect(cell(LEDGER, 'On the floor').textContent.trim()).toBe('Tracking');
    await reach(LEDGER);
    page.button(/^Remove The/).click();
    await page.says('Tracking of “The Lamplighter’s Ledger” is on the floor');
    page.button(/^Keep it$/).click();
    page.fixture.detectChanges();
    expect(page.text()).not.toContain('is on the floor:');
    page.button(/^Remove The/).click();
    await page.says('all the same');
    page.button(/all the same/).click();
    await until(() => sessions().length === 1, 'it gone');
    expect(sessions()[0]!.name).toBe('Reel 2');
  });
});

describe('templates', () => {
  it('are made of the session at the top with what is ticked, and begin the next ones', async () => {
    page = app.mount(TemplatesPage);
    await page.says('No templates yet');
    field('Pins').click();
    fill(page, 'Another template', 'Reel');
    submit(page.element.querySelector('form'));
    await drawn('Reel');
    expect(named('Reel')).toMatchObject({ template: true });
    expect(named('Reel').threads.flatMap(({ pins }) => Object.keys(pins))).toEqual([]);
    expect(cell('Reel', 'Lines').textContent.trim()).toBe(String(named(LEDGER).threads.length));
    await reach('Reel');
    page.button(/New session from Reel/).click();
    await until(() => sessions().length === 3, 'the session');
    expect(named('Reel 1').threads).toEqual(named('Reel').threads);
    expect(named('Reel 1').template).toBeUndefined();
  });
});

describe('a session of another rig', () => {
  const other = () => {
    const studio = app.api.studioNow;
    const devices = studio.rig.devices.map((device) =>
      device.name === 'Large condenser' ? { ...device, name: 'Old condenser' } : device,
    );
    return { ...studio, rig: { ...studio.rig, devices } };
  };
  const choose = async (text: string): Promise<void> => {
    const input = page.element.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = new File([text], 'visitor.thread.json');
    Object.defineProperty(file, 'arrayBuffer', {
      value: () => Promise.resolve(new TextEncoder().encode(text).buffer),
    });
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    input.dispatchEvent(new Event('change'));
    await Promise.resolve();
  };

  it('is listed device by device, with what is left out, and taken over once that is said', async () => {
    page = app.mount(TakeOverPage);
    page.fixture.detectChanges();
    await choose(writeBundle(other()));
    await page.says('The line 1 Imke Tarrow, Narrator is left out: there is no Old condenser here.');
    await drawn('Old condenser');
    expect(cell('Old condenser', 'Because').textContent).toContain('of its kind');
    await enterCell(page, cell('Old condenser', 'Stands for it here'), 'Large condenser');
    await page.says('Nothing: everything has its counterpart.');
    page.button(/Take it over/).click();
    await until(() => sessions().length === 2, 'the session');
    expect(named(`${LEDGER} 2`).threads).toEqual(named(LEDGER).threads);
  });

  it('is refused in words where the file is of a newer version, or what is typed stands for nothing', async () => {
    page = app.mount(TakeOverPage);
    page.fixture.detectChanges();
    await choose(writeBundle(other()).replace('faithful-thread/2', 'faithful-thread/3'));
    await page.says('The file is of a newer version of this program');
    await choose(writeBundle(other()));
    await drawn('Old condenser');
    await enterCell(page, cell('Old condenser', 'Stands for it here'), 'Bay A');
    await until(() => lastNotice().includes('“Bay A” cannot stand for Old condenser.'), 'why');
  });

  it('comes from another studio on this computer as well', async () => {
    const listed = { revision: 0, changedAt: '2026-03-01T10:00:00Z', sessions: [] };
    jest.spyOn(app.api, 'studios').mockReturnValue(of([{ id: 'glass-lane', name: 'Glass Lane', ...listed }]));
    const studio = other();
    jest.spyOn(app.api, 'studio').mockReturnValue(of({ revision: 0, incarnation: 'x', studio }));
    page = app.mount(TakeOverPage);
    page.fixture.detectChanges();
    pick(page, 'From the studio', 'Glass Lane');
    await page.says('there is no Old condenser here');
  });

  it('of a studio that comes late does not take the place of the file chosen meanwhile', async () => {
    const listed = { revision: 0, changedAt: '2026-03-01T10:00:00Z', sessions: [] };
    jest.spyOn(app.api, 'studios').mockReturnValue(of([{ id: 'glass-lane', name: 'Glass Lane', ...listed }]));
    const late = new Subject<StudioAt>();
    jest.spyOn(app.api, 'studio').mockReturnValue(late);
    page = app.mount(TakeOverPage);
    page.fixture.detectChanges();
    pick(page, 'From the studio', 'Glass Lane');
    await choose(writeBundle(other()));
    await drawn('Old condenser');
    const [session] = sessions();
    const studio = { ...app.api.studioNow, sessions: [{ ...session!, name: 'Late reel' }] };
    late.next({ revision: 0, incarnation: 'x', studio });
    await new Promise((done) => setTimeout(done));
    page.fixture.detectChanges();
    expect(page.element.textContent).not.toContain('Late reel');
    expect(page.element.textContent).toContain(LEDGER);
  });
});

describe('a session that is open', () => {
  it('is told to the server, which says on the first screen when', async () => {
    page = app.mount(SessionListPage);
    await until(() => app.api.openedSessions.length > 0, 'the message');
    expect(app.api.openedSessions).toEqual(['lamplighters-ledger']);
    const [session] = sessions();
    const item = { ...session!, id: 'twin' as never, name: 'Twin' };
    app.store.dispatch(StudioActions.change({ label: 'Twin', edits: [editAdd('session', {}, item)] }));
    const place = { session: 'twin' as never, scene: session!.scenes[0]!.id };
    app.store.dispatch(StudioActions.open({ studioId: 'saltglass-rooms', place }));
    await until(() => app.api.openedSessions.length === 2, 'the second');
    expect(app.api.openedSessions[1]).toBe('twin');
  });
});
