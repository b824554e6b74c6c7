import { field, fill, pick, submit } from './hands';
import { HttpErrorResponse } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Observable } from 'rxjs';
import { of, throwError } from 'rxjs';
import type { TabletRole, SharingState } from '@ft/contract/sharing';
import { PairPage } from '../src/app/start/pair-page';
import { SharingPage } from '../src/app/start/sharing-page';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench } from './mount';

/** The sharing side of the server, kept in memory. */
class SharingApi extends MemoryApi {
  isLocal = true;
  state: SharingState = { isOpen: false, addresses: [], tablets: [], offer: null };
  readonly paired: string[] = [];

  sharing(): Observable<SharingState> {
    return this.answer({});
  }
  setSharing(isOpen: boolean): Observable<SharingState> {
    return this.answer({ isOpen, addresses: isOpen ? ['http://192.0.2.2:4748'] : [], offer: null });
  }
  offerPairing(role: TabletRole): Observable<SharingState> {
    const links = [{ address: 'http://192.0.2.2:4748/pair?code=12345678', qrSvg: '<svg/>' }];
    return this.answer({ offer: { code: '12345678', role, until: '2026-03-01T10:10:00Z', links } });
  }
  setTabletRole(id: string, role: TabletRole): Observable<SharingState> {
    const tablets = this.state.tablets.map((tablet) => (tablet.id === id ? { ...tablet, role } : tablet));
    return this.answer({ tablets });
  }
  revokeTablet(id: string): Observable<SharingState> {
    return this.answer({ tablets: this.state.tablets.filter((tablet) => tablet.id !== id) });
  }
  pair(code: string, name: string): Observable<unknown> {
    if (code !== '12345678')
      return throwError(
        () =>
          new HttpErrorResponse({
            status: 403,
            error: { code: 'wrong-code', message: 'This code does not pair.' },
          }),
      );
    this.paired.push(name);
    return of({ name });
  }

  private answer(change: Partial<SharingState>): Observable<SharingState> {
    if (!this.isLocal)
      return throwError(
        () =>
          new HttpErrorResponse({ status: 404, error: { code: 'not-found', message: 'No such address.' } }),
      );
    this.state = { ...this.state, ...change };
    return of(this.state);
  }
}

let api: SharingApi;
let app: Bench;
let page: Mounted<unknown>;

function press(name: RegExp): void {
  page.button(name).click();
  page.fixture.detectChanges();
}

beforeEach(() => {
  api = new SharingApi();
  app = bench(api);
});
afterEach(() => {
  page.element.remove();
  page.fixture.destroy();
});

describe('the studio network', () => {
  beforeEach(async () => {
    page = app.mount(SharingPage);
    await page.says('only this computer');
  });

  it('is closed at first, and is opened and closed by one setting', () => {
    expect(page.text()).toContain('Closed: only this computer reaches the program.');
    expect(page.text()).not.toContain('Pair a tablet');
    press(/Open it to the studio network/);
    expect(page.text()).toContain('http://192.0.2.2:4748');
    expect(page.text()).toContain('not encrypted');
    press(/Close it/);
    expect(api.state.isOpen).toBe(false);
  });

  it('shows a code in two groups, its link and a QR code, for the role chosen', () => {
    press(/Open it/);
    pick(page, 'It may', 'edit everything');
    press(/Show a code/);
    expect(page.element.querySelector('.code')!.textContent).toBe('1234 5678');
    expect(page.text()).toContain('it may then edit everything');
    expect(page.element.querySelector('img')!.src).toMatch(/^data:image\/svg\+xml/);
  });

  it('lists paired tablets, lets them edit, and revokes them', () => {
    api.state = {
      ...api.state,
      tablets: [{ id: 'a', name: 'Tablet', role: 'tick', pairedAt: '2026-03-01T10:00:00Z', seenAt: null }],
    };
    press(/Open it/);
    pick(page, 'Tablet may', 'edit everything');
    expect(api.state.tablets[0]!.role).toBe('edit');
    page.fixture.detectChanges();
    press(/Revoke Tablet/);
    expect(page.text()).toContain('None yet.');
  });

  it('says so on a device that may not manage it', () => {
    api.isLocal = false;
    press(/Open it/);
    expect(page.text()).toContain('Only the computer the program runs on');
  });
});

describe('pairing', () => {
  it('takes the code from the address, and says why one does not pair', () => {
    page = app.mount(PairPage, { code: '87654321' });
    expect(field('Code').value).toBe('87654321');
    fill(page, 'What this tablet is called', 'Tablet');
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    page.fixture.detectChanges();
    expect(page.text()).toContain('This code does not pair.');
    expect(page.button(/Pair/).disabled).toBe(false);
  });

  it('asks nobody while the code or the name is none', () => {
    page = app.mount(PairPage, { code: '1234' });
    submit(page.element.querySelector('form'));
    page.fixture.detectChanges();
    expect(page.text()).toContain('A pairing code has eight digits.');
    expect(page.text()).toContain('This is needed.');
    expect(document.activeElement).toBe(field('Code'));
    expect(api.paired).toEqual([]);
  });

  it('leads to the studios once it is done', () => {
    const go = jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    page = app.mount(PairPage, { code: '12345678' });
    fill(page, 'What this tablet is called', 'Tablet at the bay');
    page.element.querySelector('form')!.dispatchEvent(new Event('submit', { cancelable: true }));
    expect(api.paired).toEqual(['Tablet at the bay']);
    expect(go).toHaveBeenCalledWith(['/']);
  });
});
