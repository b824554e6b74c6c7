import type { Type } from '@angular/core';
import { editAdd } from '@ft/core/edits/make';
import type { LaneId } from '@ft/core/rig/ids';
import { DevicePage } from '../src/app/stages/rig/devices/device-page';
import { CheckPage } from '../src/app/stages/rig/check/check-page';
import { CordsPage } from '../src/app/stages/rig/cords/cords-page';
import { DevicesPage } from '../src/app/stages/rig/devices/devices-page';
import { TablesPage } from '../src/app/stages/rig/tables/tables-page';
import { WiringPage } from '../src/app/stages/rig/wiring/wiring-page';
import { StudioActions } from '../src/app/state/studio.actions';
import { studioFeature } from '../src/app/state/studio.feature';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

const one = (selector: string): HTMLInputElement => page.element.querySelector<HTMLInputElement>(selector)!;

function type(selector: string, text: string, event = 'input'): void {
  const field = one(selector);
  field.value = text;
  field.dispatchEvent(new Event(event, { bubbles: true }));
  page.fixture.detectChanges();
}

const shown = (condition: () => boolean): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  });

async function openDevices(): Promise<void> {
  page = app.mount(DevicesPage);
  await shown(() => page.element.querySelectorAll('#kinds option').length > 30);
}

function open(part: Type<unknown>): void {
  page = app.mount(part);
}

const lastNotice = (): string => app.store.selectSignal(studioFeature.selectNotices)().at(-1)?.text ?? '';
const rig = (): typeof app.api.studioNow.rig => app.api.studioNow.rig;

describe('rooms and devices', () => {
  it('adds a device of a kind with its typical figures', async () => {
    await openDevices();
    type('[aria-label="Kind of device"]', 'Compressor or limiter');
    one('[aria-label="Name of the device"]').value = 'Tube limiter';
    page.button(/^\s*Add with typical data/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    const added = rig().devices.find(({ name }) => name === 'Tube limiter')!;
    expect(added).toMatchObject({ id: 'tube-limiter', type: 'dynamics', params: { inputOhm: 10_000 } });
  });

  it('adds several at once, numbered, as one change', async () => {
    await openDevices();
    type('[aria-label="Kind of device"]', 'loudspeaker');
    one('[aria-label="How many"]').value = '3';
    page.button(/^\s*Add with typical data/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    const names = rig()
      .devices.filter(({ type: kind }) => kind === 'loudspeaker')
      .map(({ name }) => name);
    expect(names.sort()).toEqual(['Loudspeaker 1', 'Loudspeaker 2', 'Loudspeaker 3']);
  });

  it('says what a device still needs, and takes it as it is typed', async () => {
    await openDevices();
    type('[aria-label="Kind of device"]', 'Microphone');
    const form = one('ft-device-form form');
    const enter = (text: string): void => {
      type('#add-sensitivityMvPerPa', text);
      form.dispatchEvent(new Event('submit', { cancelable: true }));
      page.fixture.detectChanges();
    };
    enter('');
    expect(form.textContent).toContain('needs sensitivity');
    expect(document.activeElement).toBe(one('#add-sensitivityMvPerPa'));
    enter('loud');
    expect(form.textContent).toContain('sensitivity: “loud” is not a number');
    enter('12,5');
    await until(() => app.api.entries.length === 1, 'entry 1');
    const added = rig().devices.find(({ name }) => name === 'Microphone')!;
    expect(added.params).toMatchObject({ sensitivityMvPerPa: 12.5, sourceOhm: 200 });
    expect(added.params).not.toHaveProperty('maxDbSpl');
  });

  it('folds a room up, and filters by name and kind', async () => {
    await openDevices();
    const rows = (): number => page.element.querySelectorAll('[aria-label^="Name of "]').length;
    const all = rows();
    page.button(/^Devices of Batch room/).click();
    page.fixture.detectChanges();
    expect(rows()).toBeLessThan(all);
    page.button(/^Devices of Batch room/).click();
    type('[aria-label="Filter devices"]', 'ribbon');
    expect(page.element.querySelectorAll('.actions')).toHaveLength(1);
  });

  it('asks before it removes what threads run through, and keeps it when told to', async () => {
    await openDevices();
    page.button(/^Remove Opto compressor/).click();
    await shown(() => page.element.querySelector('[role=alertdialog]') !== null);
    expect(page.text()).toContain(
      'In The Lamplighter’s Ledger, Tracking, this thread breaks: 1 Imke Tarrow, Narrator.',
    );
    page.button(/^\s*Leave it/).click();
    page.fixture.detectChanges();
    expect(page.element.querySelector('[role=alertdialog]')).toBeNull();
    expect(app.api.entries).toHaveLength(0);
    page.button(/^Remove Opto compressor/).click();
    await shown(() => page.element.querySelector('[role=alertdialog]') !== null);
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().devices.some(({ name }) => name === 'Opto compressor')).toBe(false);
    expect(app.api.entries[0]!.label).toBe('Remove Opto compressor and its wires');
  });

  it('edits the sections of a bay row by row', async () => {
    await openDevices();
    page.button(/^Data of Bay B/).click();
    page.fixture.detectChanges();
    page.button(/^\s*Add a row/).click();
    page.fixture.detectChanges();
    type('[aria-label="sections 1: columns"]', '1-8', 'change');
    const normalling = one('[aria-label="sections 1: normalling"]');
    normalling.value = 'none';
    normalling.dispatchEvent(new Event('change', { bubbles: true }));
    page.fixture.detectChanges();
    one('.open form').dispatchEvent(new Event('submit', { cancelable: true }));
    // The narrator's thread needs no normal there, but the other preamps reach the converter by theirs.
    await shown(() => page.element.querySelector('[role=alertdialog]') !== null);
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    const bay = rig().devices.find(({ name }) => name === 'Bay B')!;
    expect(bay.params['sections']).toEqual([
      { columns: '1-8', normalling: 'none', upper: 'source', lower: 'destination' },
    ]);
  });
});

describe('fixed wiring', () => {
  it('shows a loom before it is drawn, and draws it as one change', async () => {
    open(WiringPage);
    type('[aria-label="From outputs"]', 'Bay B 26-28 lower');
    type('[aria-label="To inputs"]', 'Mic preamp mic in 2');
    await shown(() => page.element.querySelectorAll('ft-wire-preview-list li').length === 3);
    expect(page.text()).toContain('± replaces');
    expect(page.text()).toContain('instead of Bay A 2 lower rear');
    expect(app.api.entries).toHaveLength(0);
    one('form').dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(
      rig().hardwires.filter(({ from }) => from.startsWith('bay-b/lower-rear-2')).length,
    ).toBeGreaterThanOrEqual(3);
  });

  it('says what is not understood', async () => {
    open(WiringPage);
    type('[aria-label="From outputs"]', 'Bay B 60 lower');
    type('[aria-label="To inputs"]', 'Converter line in 1');
    await shown(() => page.text().includes('Bay B lower rear has no number 60: it goes from 1 to 48.'));
    expect(page.button(/^\s*Draw a loom/)).toBeDefined();
    expect(one('form button[type=submit]').disabled).toBe(true);
  });

  it('clears a row of wires', async () => {
    open(WiringPage);
    page.button(/^\s*Clear\s*$/).click();
    page.fixture.detectChanges();
    type('[aria-label="Connectors"]', 'Converter line in 7-8');
    await shown(() => page.element.querySelectorAll('ft-wire-preview-list .gone').length === 2);
  });
});

describe('rooms', () => {
  it('go with everything in them, after a warning', async () => {
    await openDevices();
    page.button(/^Remove room Annealing booth/).click();
    await shown(() => page.element.querySelector('[role=alertdialog]') !== null);
    expect(page.text()).toContain('3 devices go: Broadcast dynamic, Booth panel, Large condenser.');
    expect(page.text()).toContain('2 threads break');
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().rooms.map(({ name }) => name)).not.toContain('Annealing booth');
  });

  it('are added by name', async () => {
    await openDevices();
    type('[aria-label="Another room"]', 'Loft');
    [...page.element.querySelectorAll('form')]
      .at(-1)!
      .dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().rooms.map(({ name }) => name)).toContain('Loft');
  });
});

describe('cords', () => {
  it('are taken only with a name, a length and a number', async () => {
    open(CordsPage);
    const form = page.element.querySelector('form')!;
    const fill = (label: string, text: string): void => {
      form.querySelector<HTMLInputElement>(`[aria-label="${label}"]`)!.value = text;
    };
    const submit = (): boolean => form.dispatchEvent(new Event('submit', { cancelable: true }));
    fill('Number of cords', '4');
    submit();
    expect(lastNotice()).toBe('No cords were added: they need a length in metres and a number.');
    fill('Length in metres', '1,5');
    submit();
    expect(lastNotice()).toBe('Nothing was added: type a name first.');
    fill('Name of the cord', 'Bay cord');
    submit();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().cords.find(({ name }) => name === 'Bay cord')).toMatchObject({ lengthM: 1.5, count: 4 });
  });
});

describe('adaptors', () => {
  it('are added, counted and removed', async () => {
    open(CordsPage);
    const form = page.element.querySelector<HTMLFormElement>('ft-adaptor-list form')!;
    const submit = (): boolean => form.dispatchEvent(new Event('submit', { cancelable: true }));
    submit();
    expect(lastNotice()).toBe('No adaptors were added: they need a number.');
    one('[aria-label="Name of the adaptor"]').value = 'XLR to TT';
    one('[aria-label="The plug it goes onto"]').value = 'tt';
    one('[aria-label="The plug it makes of it"]').value = 'xlr';
    one('[aria-label="Number of adaptors"]').value = '4';
    submit();
    await shown(() => rig().adaptors.length === 1 && page.text().includes('XLR to TT'));
    expect(rig().adaptors[0]).toMatchObject({ connectors: ['tt', 'xlr'], count: 4 });
    type('[aria-label="Number of XLR to TT"]', '6', 'change');
    await until(() => rig().adaptors[0]!.count === 6, 'the new number');
    type('[aria-label="Number of XLR to TT"]', 'many', 'change');
    expect(lastNotice()).toBe('“many” is not a number of adaptors.');
    page.button(/^Remove XLR to TT/).click();
    await until(() => rig().adaptors.length === 0, 'none');
  });
});

describe('faulty jacks', () => {
  it('are listed with what is wrong, until they work again', async () => {
    const fault = editAdd('fault', {}, { id: 'bay-b/upper-3/1' as LaneId, note: '' });
    app.store.dispatch(StudioActions.change({ label: 'Fault', edits: [fault] }));
    await until(() => rig().faults.length === 1, 'the fault');
    open(CheckPage);
    await shown(() => page.text().includes('Bay B 3 upper'));
    type('[aria-label="What is wrong with Bay B 3 upper"]', 'crackles', 'change');
    await until(() => rig().faults[0]?.note === 'crackles', 'the note');
    page.button(/^Bay B 3 upper works again/).click();
    await shown(() => rig().faults.length === 0 && page.text().includes('Where a jack is dead, say so'));
  });
});

describe('the rig check', () => {
  it('lists what is not wired, and shows the DB-25 contacts', async () => {
    open(CheckPage);
    await shown(() => page.text().includes('Bay A upper rear 17–24 have no wire.'));
    expect(page.text()).toContain('channelhotcoldground1241225210231132');
    one('.notes input[type=checkbox]').click();
    page.fixture.detectChanges();
    expect(page.text()).not.toContain('have no wire');
  });
});

describe('tables', () => {
  it('are tried before they are taken in, and refused with line and column', async () => {
    open(TablesPage);
    type('textarea', 'Name,Room,Kind\nPlate,Kiln,Reverb or dely');
    await shown(() => page.text().includes('Line 2, column 3: There is no kind of device “Reverb or dely”.'));
    expect(page.text()).toContain('Did you mean “Reverb or delay”?');
    type('textarea', 'Name,Room,Kind\nPlate,Kiln,Reverb or delay');
    await shown(() => page.text().includes('+ new Plate, Reverb or delay, Kiln'));
    expect(app.api.entries).toHaveLength(0);
    page.button(/^\s*Take it in/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().devices.some(({ name }) => name === 'Plate')).toBe(true);
  });
});

describe('the page of a device', () => {
  async function openDevice(id: string): Promise<void> {
    page = app.mount(DevicePage, { device: id });
    await shown(() => page.element.querySelectorAll('tbody tr').length > 0);
  }

  it('says what it is wired to, what runs through it and how it is set', async () => {
    await openDevice('preamp');
    const cells = [...page.element.querySelectorAll('tbody tr:first-child td')].map((cell) =>
      cell.textContent.trim(),
    );
    expect(cells).toEqual([
      'mic in',
      'in',
      '4',
      'mic',
      'xlr',
      'rear',
      '2.4 kΩ, max +10.0 dBu',
      'Bay A lower rear 1–2, 9–10',
    ]);
    expect(page.text()).toContain('1 Imke Tarrow, Narrator');
    await shown(() => page.element.querySelectorAll('ft-setting-field').length > 0);
    const gain = one('ft-setting-field input[type=text]');
    expect(gain.value).toBe('44');
  });

  it('turns knobs of the channel that is chosen', async () => {
    await openDevice('preamp');
    const channel = one('.channel select');
    channel.value = '2';
    channel.dispatchEvent(new Event('change'));
    await shown(() => one('ft-setting-field input[type=text]').value === '56');
    type('ft-setting-field input[type=text]', '50', 'change');
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(app.api.studioNow.sessions[0]!.scenes[0]!.settings['preamp/gainDb/2' as never]).toBe(50);
  });

  it('takes the data of a unit of one’s own as JSON, and says where it cannot', async () => {
    await openDevices();
    type('[aria-label="Kind of device"]', 'Unit of your own');
    page.button(/^\s*Add a row/).click();
    page.fixture.detectChanges();
    type('[aria-label="connectors 1: key"]', 'in', 'change');
    type('[aria-label="connectors 1: name"]', 'in', 'change');
    one('ft-device-form form').dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => app.api.entries.length === 1, 'entry 1');
    page.element.remove();

    await openDevice('unit-of-your-own');
    const json = one('textarea');
    const params = {
      ports: [
        { key: 'in', name: 'in', direction: 'in' },
        { key: 'out', name: 'out', direction: 'out' },
      ],
    };
    json.value = '{ "ports": [';
    page.button(/^\s*Take the JSON/).click();
    expect(lastNotice()).toContain('This is not JSON');
    json.value = JSON.stringify({ ...params, routes: [{ from: 'in', to: 'exit' }] });
    page.button(/^\s*Take the JSON/).click();
    await shown(() => lastNotice().includes('There is no connector “exit”. There are: in, out.'));
    json.value = JSON.stringify({ ...params, routes: [{ from: 'in', to: 'out', gainDb: 6 }] });
    page.button(/^\s*Take the JSON/).click();
    await until(() => app.api.entries.length === 2, 'entry 2');
    expect(rig().devices.find(({ type: kind }) => kind === 'customUnit')!.params['routes']).toMatchObject([
      { gainDb: 6 },
    ]);
  });

  it('adds another like it, in the same room and rack, under the next free name', async () => {
    await openDevice('opto');
    page.button(/^\s*Add another like it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    const was = rig().devices.find(({ id }) => id === ('opto' as typeof id))!;
    const added = rig().devices.find(({ name }) => name === `${was.name} 2`)!;
    expect({ ...added, id: was.id, name: was.name }).toEqual(was);
  });

  it('puts a device into a rack', async () => {
    await openDevice('opto');
    const field = [...page.element.querySelectorAll('label')]
      .find((label) => label.textContent.includes('Rack'))!
      .querySelector('input')!;
    field.value = 'Left rack';
    field.dispatchEvent(new Event('change'));
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().devices.find(({ id }) => id === ('opto' as typeof id))!.rack).toBe('Left rack');
  });
});
