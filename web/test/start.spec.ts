import { HttpErrorResponse } from '@angular/common/http';
import { NEVER, Subject, of, throwError } from 'rxjs';
import type { Backup, Backups, SetAside, Status } from '@ft/contract/status';
import type { JobState } from '@ft/contract/jobs';
import type { SessionSummary, StudioSummary } from '@ft/contract/studios';
import { editSet } from '@ft/core/edits/make';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { BackupsPanel } from '../src/app/start/backups-panel';
import { BeginPage } from '../src/app/start/begin-page';
import { FirstScreen } from '../src/app/start/first-screen';
import { NEWS, unseenNews } from '../src/app/start/news';
import { HealthPage } from '../src/app/start/health-page';
import { SetAsidePanel } from '../src/app/start/set-aside-panel';
import { sizeText } from '../src/app/start/size';
import { TableExchange } from '../src/app/ui/table-exchange/table-exchange';
import { jobText } from '../src/app/state/job-progress';
import { FileLink } from '../src/app/ui/file-link';
import * as saving from '../src/app/ui/save-text';
import { StudioActions } from '../src/app/state/studio.actions';
import { field, fill, submit } from './hands';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

const backup: Backup = {
  ...{
    name: '2026-03-01T10-00-00-000Z.daily.sqlite',
    at: '2026-03-01T10:00:00Z',
    kind: 'daily',
    bytes: 184_320,
  },
};

const LEDGER = 'The Lamplighter’s Ledger';

let api: MemoryApi;
let app: Bench;
let page: Mounted<unknown>;

beforeEach(() => {
  api = new MemoryApi();
  app = bench(api);
});
afterEach(() => {
  jest.restoreAllMocks();
  page.element.remove();
  page.fixture.destroy();
});

const refusal = (status: number, code: string, message: string) =>
  throwError(() => new HttpErrorResponse({ status, error: { code, message } }));

describe('backups on the first screen', () => {
  it('say when the last one was made, and make one now', async () => {
    jest.spyOn(api, 'backups').mockReturnValue(of({ backups: [backup], trouble: null }));
    const made: Backups = {
      backups: [{ ...backup, at: '2026-03-01T12:34:00Z', kind: 'asked' }],
      trouble: null,
    };
    api.makeBackup = () => of(made);
    page = app.mount(BackupsPanel);
    expect(page.text()).toMatch(/✓ Last backup 2026-03-01 \d\d:00 ?184 kB/);
    page.button(/Back up now/).click();
    await page.says('Backed up, and looked over: the copy is whole.');
    expect(page.text()).toMatch(/Last backup 2026-03-01 \d\d:34/);
  });

  it('say where there is none, and why none could be made', async () => {
    const trouble = 'No backup was made: the disk is full. The backups that are there stay.';
    jest.spyOn(api, 'backups').mockReturnValue(of({ backups: [], trouble }));
    page = app.mount(BackupsPanel);
    await page.says('No backup yet');
    expect(page.text()).toContain(trouble);
  });

  it('bring a studio of one back beside what is here', async () => {
    jest.spyOn(api, 'backups').mockReturnValue(of({ backups: [backup], trouble: null }));
    const studios = [{ id: 'rooms', name: 'Rooms', revision: 7, changedAt: '2026-03-01T09:00:00Z' }];
    jest.spyOn(api, 'backupContent').mockReturnValue(of({ studios }));
    const asked: unknown[] = [];
    api.bringBack = (...wanted) => {
      asked.push(wanted);
      return of('rooms-2');
    };
    page = app.mount(BackupsPanel);
    page.button(/Bring one back/).click();
    await page.says('stands beside what is here, never over it');
    page.button(/2026-03-01/).click();
    await page.says('revision 7');
    page.button(/^Bring back Rooms$/).click();
    await page.says('Brought back.');
    expect(asked).toEqual([[backup.name, 'rooms']]);
  });

  it('are not there on a tablet', () => {
    jest.spyOn(api, 'backups').mockReturnValue(refusal(404, 'not-found', 'No such address.'));
    page = app.mount(BackupsPanel);
    expect(page.text()).toBe('');
  });
});

describe('a damaged file that was set aside', () => {
  const note: SetAside = {
    ...{ at: '2026-03-01T12:00:00Z', folder: '/data/set-aside/x', reason: 'x', backup },
    lost: [
      { studio: 'Rooms', changes: 2, lastAt: null },
      { studio: 'Lane', changes: 1, lastAt: null },
    ],
  };
  const withNote = (setAside: SetAside): void => {
    api.status().subscribe((status) => {
      jest.spyOn(api, 'status').mockReturnValue(of({ ...status, setAside }));
    });
  };

  it('is told with what is lost, and the backup brought back, studio by studio', async () => {
    withNote(note);
    const studio = { revision: 1, changedAt: '2026-03-01T09:00:00Z' };
    const studios = [
      { id: 'rooms', name: 'Rooms', ...studio },
      { id: 'lane', name: 'Lane', ...studio },
    ];
    jest.spyOn(api, 'backupContent').mockReturnValue(of({ studios }));
    const back: string[] = [];
    api.bringBack = (_name, id) => {
      back.push(id);
      return of(id);
    };
    let dismissed = false;
    api.dismissSetAside = () => {
      dismissed = true;
      return of(null);
    };
    page = app.mount(SetAsidePanel);
    await page.says('Rooms, 2 changes; Lane, 1 change.');
    page.button(/Bring the backup back/).click();
    await until(() => dismissed);
    expect(back).toEqual(['rooms', 'lane']);
    page.fixture.detectChanges();
    expect(page.text()).toBe('');
  });

  it('says where there is no backup, and what cannot be told', async () => {
    withNote({ ...note, backup: null, lost: null });
    page = app.mount(SetAsidePanel);
    await page.says('There is no backup that is whole.');
    expect(page.button(/Bring the backup back/)).toBeUndefined();
  });
});

describe('the health page', () => {
  it('says how the program is, and warns of a disk that is nearly full', async () => {
    const status: Status = {
      ...{
        version: '0.1.0',
        startedAt: '2026-03-01T09:00:00Z',
        folder: '/data/rooms',
        freeBytes: 90_000_000,
      },
      ...{ dataBytes: 2_345_678, studios: 2, lastBackup: backup, backupTrouble: null, windows: 3 },
      tablets: [
        { name: 'Bay tablet', windows: 1 },
        { name: 'Booth', windows: 2 },
      ],
      setAside: null,
    };
    jest.spyOn(api, 'status').mockReturnValue(of(status));
    page = app.mount(HealthPage);
    await page.says('Bay tablet, Booth (2 windows)');
    for (const part of ['0.1.0', '/data/rooms', '2.3 MB', '2 studios', '90 MB', '◆ little'])
      expect(page.text()).toContain(part);
  });

  it('says when the program cannot be reached', async () => {
    jest.spyOn(api, 'status').mockReturnValue(throwError(() => new HttpErrorResponse({ status: 0 })));
    page = app.mount(HealthPage);
    await page.says('The program cannot be reached');
  });
});

describe('a file that the server makes', () => {
  const saved = (): jest.SpyInstance => jest.spyOn(saving, 'saveBlob').mockImplementation(() => undefined);

  it('is saved under the name it comes with', async () => {
    const kept = saved();
    page = app.mount(FileLink, { address: '/api/sheet' });
    page.button(/^$/).click();
    await until(() => kept.mock.calls.length === 1);
    expect(kept.mock.calls[0]![0]).toBe('sheet.pdf');
  });

  it('says how far it is, and can be cancelled', async () => {
    const answer = new Subject<never>();
    jest.spyOn(api, 'file').mockReturnValue(answer);
    const state: JobState = { state: 'running', step: 'Planning the scene', at: 2, of: 3 };
    jest.spyOn(api, 'job').mockReturnValue(of(state));
    page = app.mount(FileLink, { address: '/api/sheet' });
    page.button(/^$/).click();
    await page.says('Planning the scene … (2 of 3)');
    page.button(/Cancel/).click();
    expect(answer.observed).toBe(false);
  });

  it('that could not be made says so in its place', async () => {
    const error = new Blob([JSON.stringify({ code: 'too-long', message: 'This took more than 60 s.' })]);
    // jsdom's blobs have no text().
    Object.assign(error, {
      text: () => Promise.resolve('{"code":"too-long","message":"This took more than 60 s."}'),
    });
    jest.spyOn(api, 'file').mockReturnValue(throwError(() => new HttpErrorResponse({ status: 422, error })));
    page = app.mount(FileLink, { address: '/api/sheet' });
    page.button(/^$/).click();
    await page.says('This took more than 60 s.');
  });

  it('waits for what was done last to be stored, and says where it is made without', async () => {
    await app.open();
    const asked = jest.spyOn(api, 'file');
    const kept = saved();
    jest.spyOn(api, 'change').mockReturnValue(NEVER);
    const edit = editSet('session', {}, SALTGLASS_PLACE.session, {
      field: 'name',
      value: 'Reel',
      was: LEDGER,
    });
    app.store.dispatch(StudioActions.change({ label: 'Name', edits: [edit] }));
    page = app.mount(FileLink, { address: '/api/sheet' });
    page.button(/^$/).click();
    expect(asked).not.toHaveBeenCalled();
    app.store.dispatch(StudioActions.keptWaiting({ reason: 'The disk is full.' }));
    await page.says('not stored yet, so this file may be without it');
    expect(kept).toHaveBeenCalledTimes(1);
  });

  it('waits for its turn in words', () => {
    expect(jobText({ state: 'waiting' })).toBe('Waiting for its turn …');
  });
});

describe('a table from a file', () => {
  const choose = (bytes: Uint8Array): void => {
    const input = page.element.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = { name: 'devices.csv', arrayBuffer: () => Promise.resolve(bytes.buffer) };
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    Object.defineProperty(input, 'value', { value: '', writable: true });
    input.dispatchEvent(new Event('change'));
  };
  const text = (): string => page.element.querySelector('textarea')!.value;

  it('in UTF-16 is read as that, and it is said', async () => {
    page = app.mount(TableExchange, { name: 'Devices', columns: 'Name' });
    choose(new Uint8Array(Buffer.from('\ufeffRöhre;Kiln', 'utf16le')));
    await page.says('devices.csv is UTF-16; it was read as that.');
    expect(text()).toBe('Röhre;Kiln');
  });

  it('that is none is refused, and what was typed stays', async () => {
    page = app.mount(TableExchange, { name: 'Devices', columns: 'Name' });
    choose(new Uint8Array([0x89, 0x50, 0, 1, 2]));
    await page.says('This file is no text');
    expect(text()).toBe('');
  });
});

describe('the first screen', () => {
  it('takes an archive in, and shows the studios that came', async () => {
    const asked: Blob[] = [];
    api.importArchive = (file: Blob) => {
      asked.push(file);
      return of({ ids: ['a'] });
    };
    const listed = jest.spyOn(api, 'studios');
    page = app.mount(FirstScreen);
    await page.says('Saltglass Rooms');
    const input = page.element.querySelector<HTMLInputElement>('input[type=file]')!;
    const file = new File(['zip'], 'all.thread.zip');
    Object.defineProperty(input, 'files', { value: [file] });
    Object.defineProperty(input, 'value', { value: '', writable: true });
    input.dispatchEvent(new Event('change'));
    await until(() => asked.length === 1 && listed.mock.calls.length === 2);
    expect(asked[0]).toBe(file);
  });

  it('is listed anew when a studio just left has caught up', async () => {
    const listed = jest.spyOn(api, 'studios').mockReturnValueOnce(of([]));
    page = app.mount(FirstScreen);
    await page.says('I have a room to describe');
    expect(page.text()).not.toContain('Sessions on this computer');
    app.store.dispatch(StudioActions.caughtUp());
    await page.says('Sessions on this computer');
    expect(listed).toHaveBeenCalledTimes(2);
  });
});

describe('what to do first', () => {
  const session = (name: string, more: Partial<SessionSummary> = {}): SessionSummary => ({
    ...{ id: name.toLowerCase(), name, scene: 'tracking', goesLive: false, archived: false, template: false },
    ...more,
  });
  const studio = (name: string, ...sessions: SessionSummary[]): StudioSummary => ({
    ...{ id: name.toLowerCase(), name, revision: 3, changedAt: '2026-03-01T10:00:00Z', sessions },
  });
  const listed = (...studios: StudioSummary[]): void => {
    jest.spyOn(api, 'studios').mockReturnValue(of(studios));
  };

  beforeEach(() => {
    localStorage.clear();
  });

  it('stands alone where there is nothing yet, and nothing is news', async () => {
    listed();
    page = app.mount(FirstScreen);
    await page.says('I have a room to describe');
    expect(page.text()).toContain('Somebody sent me a file');
    expect(page.text()).toContain('I want to look around');
    expect(page.text()).not.toContain('What is new here');
    expect(page.text()).not.toContain('Sessions on this computer');
    expect(unseenNews(localStorage)).toEqual([]);
  });

  it('comes behind the sessions, each with its day, floor, findings and when it was opened', async () => {
    listed(
      studio(
        'Rooms',
        session('Show', { date: '2026-12-05', goesLive: true, onFloor: 'Tracking' }),
        session('Reel', { openedAt: '2026-03-01T11:30:00Z' }),
        session('Old', { archived: true }),
        session('Song', { template: true }),
        session('Broken', { scene: '' }),
      ),
    );
    jest.spyOn(api, 'findings').mockReturnValue(
      of({
        sessions: [
          { id: 'show', scene: 'Tracking', errors: 1, warnings: 2 },
          { id: 'reel', scene: 'Mix', errors: 0, warnings: 0 },
        ],
      }),
    );
    page = app.mount(FirstScreen);
    await page.says('▲ 1 error');
    const rows = [...page.element.querySelectorAll('tbody tr')].map(({ textContent }) =>
      textContent.replace(/\s+/g, ' ').trim(),
    );
    expect(rows).toHaveLength(3);
    expect(rows[0]).toMatch(/^Show ?2026-12-05 goes live ?Tracking ?▲ 1 error ?◆ 2 warnings ?not yet$/);
    expect(rows[1]).toMatch(/no day yet.*✓ no open findings.*2026-03-01 \d\d:30/);
    expect(rows[2]).toContain('Broken cannot be read');
    expect(page.text()).toContain('1 put away · one template');
    const goOn = [...page.element.querySelectorAll('a')].find(({ textContent }) =>
      textContent.includes('Go on with'),
    );
    expect([goOn?.textContent.trim(), goOn?.getAttribute('href')]).toEqual([
      'Go on with Reel',
      '/studio/rooms/reel/tracking/track',
    ]);
  });

  it('says what is new once, to somebody who knows the program', async () => {
    listed(studio('Rooms', session('Reel')));
    page = app.mount(FirstScreen);
    await page.says('What is new here');
    expect(page.text()).toContain('Sessions and templates');
    page.button(/I have read it/).click();
    page.fixture.detectChanges();
    expect(page.text()).not.toContain('What is new here');
    page.element.remove();
    page = app.mount(FirstScreen);
    await page.says('Sessions on this computer');
    expect(page.text()).not.toContain('What is new here');
    // What came after somebody looked last is news again.
    localStorage.setItem('ft-news-seen', NEWS[1]!.id);
    expect(unseenNews(localStorage)).toEqual([NEWS[0]]);
  });
});

describe('beginning a rig', () => {
  const rooms = (): readonly string[] =>
    [...page.element.querySelectorAll('.room strong')].map(({ textContent }) => textContent.trim());
  const begun: unknown[][] = [];

  beforeEach(() => {
    begun.length = 0;
    api.begin = (...asked: unknown[]) => {
      begun.push(asked.slice(0, 2));
      return of('lamp-room');
    };
    jest
      .spyOn(api, 'summary')
      .mockReturnValue(
        of({ ...{ id: 'lamp-room', name: 'Lamp room', revision: 0, changedAt: '' }, sessions: [] }),
      );
    page = app.mount(BeginPage);
  });

  it('offers six rooms and an empty one, and says what each will be', () => {
    expect(rooms()).toHaveLength(7);
    expect(page.text()).toMatch(/Interface.*asked/);
    expect(page.text()).toMatch(/DAW.*typical/);
    expect(page.text()).toContain('The first session has 6 lines');
    fill(page, 'Mic inputs on the interface', '2');
    expect(page.text()).toContain('The first session has 4 lines');
    page.button(/^Stage with digital console/).click();
    page.fixture.detectChanges();
    expect(page.text()).toContain('Inputs of the stagebox');
    page.button(/^An empty room/).click();
    page.fixture.detectChanges();
    expect(page.text()).toContain('One room with nothing in it, and an empty session.');
  });

  it('makes the room that is chosen with what was answered', async () => {
    fill(page, 'Name of the studio', 'Lamp room');
    fill(page, 'Mic inputs on the interface', '2');
    submit(page.element.querySelector('form'));
    await until(() => begun.length === 1, 'the room');
    expect(begun[0]).toEqual([
      'Lamp room',
      { starter: 'interface', answers: { mics: 2, compressors: 2, equalisers: 0 } },
    ]);
  });

  it('makes an empty one of the name alone', async () => {
    page.button(/^An empty room/).click();
    page.fixture.detectChanges();
    fill(page, 'Name of the studio', 'Lamp room');
    submit(page.element.querySelector('form'));
    await until(() => begun.length === 1, 'the room');
    expect(begun[0]).toEqual(['Lamp room', undefined]);
  });

  it.each([
    ['0', 'Such a room has 1 to 12 mic inputs.'],
    ['many', '“many” is not a number.'],
  ])('refuses %s mic inputs at the field, and makes nothing', (typed, because) => {
    fill(page, 'Name of the studio', 'Lamp room');
    fill(page, 'Mic inputs on the interface', typed);
    submit(page.element.querySelector('form'));
    page.fixture.detectChanges();
    expect(page.text()).toContain(because);
    expect(page.text()).toContain('Once the numbers fit.');
    expect(document.activeElement).toBe(field('Mic inputs on the interface'));
    expect(begun).toEqual([]);
  });

  it('needs a name, and says what the server refused', async () => {
    submit(page.element.querySelector('form'));
    page.fixture.detectChanges();
    expect(document.activeElement).toBe(field('Name of the studio'));
    api.begin = () => refusal(422, 'room-refused', 'The room was not made. Nothing was stored.');
    fill(page, 'Name of the studio', 'Lamp room');
    submit(page.element.querySelector('form'));
    await page.says('The room was not made. Nothing was stored.');
  });
});

describe('bytes', () => {
  it.each([
    [0, '0 B'],
    [999, '999 B'],
    [184_320, '184 kB'],
    [2_345_678, '2.3 MB'],
    [84_720_111_616, '85 GB'],
    [3e15, '3000 TB'],
  ])('%d are %s', (bytes, said) => {
    expect(sizeText(bytes)).toBe(said);
  });
});
