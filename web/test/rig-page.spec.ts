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
import { cellOf, enterCell, field, fill, over, pick, submit } from './hands';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

beforeEach(async () => {
  app = bench();
  await app.open();
});

const one = (selector: string): HTMLInputElement => page.element.querySelector<HTMLInputElement>(selector)!;
const isThere = (selector: string): boolean => page.element.querySelector(selector) !== null;

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
  await page.says('Compressor or limiter');
}

/** Selects a device, as the keys do when they come to its row. */
async function reach(name: string): Promise<void> {
  cellOf(page.element, name, 'Device').focus();
  await shown(() => isThere(`[aria-label="Remove ${name}"]`));
}

function open(part: Type<unknown>): void {
  page = app.mount(part);
}

const lastNotice = (): string => app.store.selectSignal(studioFeature.selectNotices)().at(-1)?.text ?? '';
const rig = (): typeof app.api.studioNow.rig => app.api.studioNow.rig;

describe('rooms and devices', () => {
  const addForm = (): Element | null => page.element.querySelector('ft-add-device form');
  const ask = async (action: () => void): Promise<string> => {
    action();
    await shown(() => over() !== null);
    return over()!.textContent.replace(/\s+/g, ' ');
  };

  it('adds a device of a kind with its typical figures', async () => {
    await openDevices();
    fill(page, 'Kind of device', 'Compressor or limiter');
    fill(page, 'Name of the device', 'Tube limiter');
    submit(addForm());
    await until(() => app.api.entries.length === 1, 'entry 1');
    const added = rig().devices.find(({ name }) => name === 'Tube limiter')!;
    expect(added).toMatchObject({ id: 'tube-limiter', type: 'dynamics', params: { inputOhm: 10_000 } });
    expect(field('Name of the device').value).toBe('');
  });

  it('adds several at once, numbered, as one change', async () => {
    await openDevices();
    fill(page, 'Kind of device', 'loudspeaker');
    fill(page, 'How many', '3');
    submit(addForm());
    await until(() => app.api.entries.length === 1, 'entry 1');
    const names = rig()
      .devices.filter(({ type: kind }) => kind === 'loudspeaker')
      .map(({ name }) => name);
    expect(names.sort()).toEqual(['Loudspeaker 1', 'Loudspeaker 2', 'Loudspeaker 3']);
  });

  it('says at the field what a device still needs, and takes it as it is typed', async () => {
    await openDevices();
    fill(page, 'Kind of device', 'Microphone');
    const form = one('ft-device-form form');
    const enter = (text: string): string => {
      fill(page, 'sensitivity', text, form);
      submit(form);
      page.fixture.detectChanges();
      return form.querySelector('[data-field="sensitivityMvPerPa"] .error')?.textContent.trim() ?? '';
    };
    expect(enter('')).toBe('▲ This is needed.');
    expect(document.activeElement).toBe(field('sensitivity', form));
    expect(enter('loud')).toBe('▲ “loud” is not a number.');
    enter('12,5');
    await until(() => app.api.entries.length === 1, 'entry 1');
    const added = rig().devices.find(({ name }) => name === 'Microphone')!;
    expect(added.params).toMatchObject({ sensitivityMvPerPa: 12.5, sourceOhm: 200 });
    expect(added.params).not.toHaveProperty('maxDbSpl');
  });

  it('takes a typed list, shows what it will be, and makes it as one change', async () => {
    await openDevices();
    page.button(/^Type a list$/).click();
    page.fixture.detectChanges();
    const list = (): HTMLTextAreaElement =>
      document.querySelector<HTMLTextAreaElement>('ft-gear-list textarea')!;
    const says = (text: string): Promise<void> =>
      shown(
        () =>
          document.querySelector('ft-gear-list')?.textContent.replace(/\s+/g, ' ').includes(text) === true,
      );
    const write = (text: string): void => {
      list().value = text;
      list().dispatchEvent(new Event('input', { bubbles: true }));
      page.fixture.detectChanges();
    };
    write('2 ribbons\n3 compresors');
    await says('Line 2, “3 compresors”: “compresors” is no kind of device. Did you mean “compressor”');
    expect(page.button(/^Make them$/).disabled).toBe(true);
    write('2 ribbons\nMachine room:\nstereo compressor "Bus squeezer"');
    await says('Make 3 devices');
    page.button(/^Make 3 devices$/).click();
    await until(() => app.api.entries.length === 1, 'the devices');
    expect(app.api.entries[0]!.label).toBe('Add 3 devices from a list');
    expect(rig().devices.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['Ribbon 1', 'Ribbon 2', 'Bus squeezer']),
    );
    expect(rig().rooms.map(({ name }) => name)).toContain('Machine room');
  });

  it('refuses kinds, rooms and numbers there are none of', async () => {
    await openDevices();
    fill(page, 'Kind of device', 'Theremin');
    fill(page, 'Room of the device', 'Cellar');
    fill(page, 'How many', '1,5');
    submit(addForm());
    page.fixture.detectChanges();
    for (const said of [
      'one of the kinds offered',
      'one of the rooms there are',
      'a whole number of devices',
    ])
      expect(addForm()!.textContent).toContain(said.slice(1));
    expect(app.api.entries).toEqual([]);
  });

  it('filters by name, kind and room', async () => {
    await openDevices();
    type('[aria-label="Filter devices"]', 'ribbon');
    await shown(() => page.element.querySelectorAll('tbody tr').length === 1);
    type('[aria-label="Filter devices"]', 'annealing');
    await shown(() => page.element.querySelectorAll('tbody tr').length === 3);
  });

  it('renames a device, moves it to another room and into a rack where it stands', async () => {
    await openDevices();
    const cell = (title: string): HTMLElement => cellOf(page.element, 'Booth panel', title);
    await enterCell(page, cell('Rack'), 'Wall');
    await enterCell(page, cell('Room'), 'Kiln');
    await until(() => app.api.entries.length === 2, 'two changes');
    page.fixture.detectChanges();
    const panel = (): (typeof app.api.studioNow.rig.devices)[number] =>
      rig().devices.find(({ name }) => name === 'Booth panel')!;
    expect([panel().rack, panel().room]).toEqual(['Wall', 'kiln']);
    await enterCell(page, cell('Room'), 'Cellar');
    await until(() => lastNotice().includes('There is no room “Cellar”. There are'), 'the refusal');
    expect(app.api.entries).toHaveLength(2);
  });

  it('asks before it removes what threads run through, and keeps it when told to', async () => {
    await openDevices();
    await reach('Opto compressor');
    const remove = (): void => {
      page.button(/^Remove Opto compressor/).click();
    };
    expect(await ask(remove)).toContain(
      'In The Lamplighter’s Ledger, Tracking, this thread breaks: 1 Imke Tarrow, Narrator.',
    );
    page.button(/^\s*Leave it/).click();
    await shown(() => over() === null);
    expect(app.api.entries).toHaveLength(0);
    await ask(remove);
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().devices.some(({ name }) => name === 'Opto compressor')).toBe(false);
    expect(app.api.entries[0]!.label).toBe('Remove Opto compressor and its wires');
  });

  it('leaves everything as it is where the question is left with Esc', async () => {
    await openDevices();
    await reach('Opto compressor');
    await ask(() => {
      page.button(/^Remove Opto compressor/).click();
    });
    over()!.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await shown(() => over() === null);
    expect(app.api.entries).toEqual([]);
  });

  it('edits the sections of a bay row by row', async () => {
    await openDevices();
    await reach('Bay B');
    page.button(/^Data of Bay B/).click();
    await shown(() => over() !== null);
    page.button(/^\s*Add a row/).click();
    await shown(() => over()!.querySelector('tbody tr') !== null);
    const cell = (title: string): HTMLElement => cellOf(over()!, '', title);
    await enterCell(page, cell('columns'), '1-8');
    await shown(() => over()!.textContent.includes('1-8'));
    await enterCell(page, cell('normalling'), 'none');
    await shown(() => cell('normalling').textContent.trim() === 'none');
    await enterCell(page, cell('normalling'), 'sideways');
    await until(() => lastNotice().includes('“sideways” is none of '), 'the refusal');
    // The narrator's thread needs no normal there, but the other preamps reach the converter by theirs.
    submit(over()!.querySelector('form'));
    await shown(() => document.querySelector('.modal') !== null);
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    const bay = rig().devices.find(({ name }) => name === 'Bay B')!;
    expect(bay.params['sections']).toEqual([
      { columns: '1-8', normalling: 'none', upper: 'source', lower: 'destination' },
    ]);
  });

  it('puts rooms in the order of the walk, from the control room on', async () => {
    await openDevices();
    page.button(/^Rooms$/).click();
    const names = (): string[] =>
      [...document.querySelectorAll('.offcanvas tbody [data-column="0"]')].map(({ textContent }) =>
        textContent.trim(),
      );
    await shown(() => names().length === 3);
    expect(names()[0]).toBe('Batch room');
    const cell = cellOf(over()!, 'Batch room', 'Devices');
    cell.focus();
    page.press(cell, 'ArrowDown', { altKey: true });
    await until(() => app.api.entries.length === 1, 'the order');
    expect(app.api.entries[0]!.label).toBe('Batch room later on the walk');
    await shown(() => names()[1] === 'Batch room');
  });

  it('takes rooms off with everything in them, after a warning, and adds them by name', async () => {
    await openDevices();
    page.button(/^\s*Rooms/).click();
    await shown(() => over() !== null);
    await shown(() => over()!.textContent.includes('Annealing booth'));
    cellOf(over()!, 'Annealing booth', 'Room').focus();
    await shown(() => over()!.textContent.includes('Remove Annealing booth'));
    const said = await ask(() => {
      page.button(/^\s*Remove Annealing booth/).click();
      page.fixture.detectChanges();
    });
    await shown(() => document.querySelector('.modal') !== null);
    expect(`${said} ${document.querySelector('.modal')!.textContent}`.replace(/\s+/g, ' ')).toContain(
      '3 devices go: Broadcast dynamic, Booth panel, Large condenser.',
    );
    expect(document.querySelector('.modal')!.textContent).toContain('2 threads break');
    page.button(/^\s*Do it/).click();
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().rooms.map(({ name }) => name)).not.toContain('Annealing booth');
    page.button(/^\s*Rooms/).click();
    await shown(() => document.querySelector('.offcanvas') !== null);
    submit(document.querySelector('.offcanvas form'));
    await shown(() => document.querySelector('.offcanvas')!.textContent.includes('This is needed.'));
    fill(page, 'Another room', 'Loft');
    submit(document.querySelector('.offcanvas form'));
    await until(() => app.api.entries.length === 2, 'entry 2');
    expect(rig().rooms.map(({ name }) => name)).toContain('Loft');
  });
});

describe('fixed wiring', () => {
  it('shows a loom before it is drawn, and draws it as one change', async () => {
    open(WiringPage);
    page.fixture.detectChanges();
    fill(page, 'From outputs', 'Bay B 26-28 lower');
    fill(page, 'To inputs', 'Mic preamp mic in 2');
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
    page.fixture.detectChanges();
    fill(page, 'From outputs', 'Bay B 60 lower');
    fill(page, 'To inputs', 'Converter line in 1');
    await shown(() => page.text().includes('Bay B lower rear has no number 60: it goes from 1 to 48.'));
    expect(page.button(/^\s*Draw a loom/)).toBeDefined();
    expect(one('form button[type=submit]').disabled).toBe(true);
  });

  it('moves an end of a wire to what is typed, unwires it, and says where there is no such connector', async () => {
    open(WiringPage);
    await shown(() => page.element.querySelectorAll('tbody tr').length > 5);
    const row = page.element.querySelector('tbody tr')!;
    const [from, , to] = [...row.querySelectorAll<HTMLElement>('td')];
    const [was, count] = [from!.textContent.trim(), rig().hardwires.length];
    const wired = rig().hardwires.find(({ from: at }) => at.startsWith('bay-a/lower-rear-1/'))!;
    await enterCell(page, to!, 'Nowhere in 9');
    await until(() => lastNotice().includes('There is no input “Nowhere in 9” at the rear of the rig.'));
    page.press(to!, 'Escape');
    await enterCell(page, to!, 'converter line in 8');
    await until(() => app.api.entries.length === 1, 'the change');
    expect(app.api.entries[0]!.label).toContain(`Rewire ${was} to `);
    const moved = rig().hardwires.find(({ to: at }) => at === 'converter/line-in-1/8')!;
    expect(moved.from).toBe(wired.from);
    await shown(() => cellOf(page.element, 'Converter line in 8', 'From').textContent.includes(was));
    cellOf(page.element, 'Converter line in 8', 'Kind').focus();
    await shown(() => page.text().includes('Unwire Bay A'));
    page.button(/^\s*Unwire/).click();
    await until(() => app.api.entries.length === 2, 'unwired');
    expect(rig().hardwires.length).toBeLessThan(count);
  });

  it('clears a row of wires', async () => {
    open(WiringPage);
    page.button(/^\s*Clear\s*$/).click();
    page.fixture.detectChanges();
    fill(page, 'Connectors', 'Converter line in 7-8');
    await shown(() => page.element.querySelectorAll('ft-wire-preview-list .gone').length === 2);
  });
});

describe('cords', () => {
  const form = (): Element | null => page.element.querySelector('form[aria-label="Add cords"]');

  it('are taken only with a name, a length and a number', async () => {
    open(CordsPage);
    page.fixture.detectChanges();
    fill(page, 'Number of cords', '4');
    submit(form());
    page.fixture.detectChanges();
    expect(document.activeElement).toBe(field('Name of the cord'));
    expect(form()!.textContent.match(/This is needed/g)).toHaveLength(2);
    fill(page, 'Length in metres', '−1');
    expect(form()!.textContent).toContain('A length is above 0 m.');
    fill(page, 'Length in metres', '1,5');
    fill(page, 'Name of the cord', 'Bay cord');
    pick(page, 'Other connector', 'trs');
    submit(form());
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().cords.find(({ name }) => name === 'Bay cord')).toMatchObject({
      ...{ lengthM: 1.5, count: 4, connectors: ['tt', 'trs'] },
    });
  });

  it('are hung up as such a room usually has them, in one press, and offered no more', async () => {
    open(CordsPage);
    page.fixture.detectChanges();
    const offered = page.button(/^Hang up the usual cords$/);
    expect(offered.title).toContain('Usual for the jacks here: ');
    offered.click();
    await until(() => app.api.entries.length === 1, 'the cords');
    expect(app.api.entries[0]!.label).toBe('A usual hook of cords');
    await shown(() => !page.text().includes('Hang up the usual cords'));
    expect(rig().cords.map(({ name }) => name)).toContain('TT cord');
  });

  it('are counted anew in their sheet, several at once, and removed', async () => {
    open(CordsPage);
    await shown(() => page.element.querySelectorAll('tbody tr').length > 1);
    const [first] = rig().cords;
    const cell = cellOf(page.element, first!.name, 'Number');
    await enterCell(page, cell, 'many');
    expect(lastNotice()).toContain('“many” does not fit: it is not a number.');
    await enterCell(page, cell, '33');
    await until(() => rig().cords[0]!.count === 33, 'the number');
    cell.focus();
    await shown(() => page.text().includes(`Remove ${first!.name}`));
  });
});

describe('adaptors', () => {
  it('are added, counted and removed', async () => {
    open(CordsPage);
    page.fixture.detectChanges();
    const form = page.element.querySelector('ft-adaptor-list form');
    submit(form);
    page.fixture.detectChanges();
    expect(form!.textContent.match(/This is needed/g)).toHaveLength(2);
    fill(page, 'Name of the adaptor', 'XLR to TT');
    fill(page, 'Number of adaptors', '4');
    submit(form);
    await shown(() => rig().adaptors.length === 1 && page.text().includes('XLR to TT'));
    expect(rig().adaptors[0]).toMatchObject({ connectors: ['tt', 'xlr'], count: 4 });
    const sheet = page.element.querySelector('ft-adaptor-list')!;
    await enterCell(page, cellOf(sheet, 'XLR to TT', 'Number'), '6');
    await until(() => rig().adaptors[0]!.count === 6, 'the new number');
    cellOf(sheet, 'XLR to TT', 'Number').focus();
    await shown(() => sheet.textContent.includes('Remove XLR to TT'));
    page.button(/^\s*Remove XLR to TT/).click();
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
    fill(page, 'What is wrong with Bay B 3 upper', 'crackles');
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
    pick(page, 'Channel', '2');
    await shown(() => field('Gain').value === '56');
    fill(page, 'Gain', '50');
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(app.api.studioNow.sessions[0]!.scenes[0]!.settings['preamp/gainDb/2' as never]).toBe(50);
  });

  it('takes the data of a unit of one’s own as JSON, and says where it cannot', async () => {
    await openDevices();
    fill(page, 'Kind of device', 'Unit of your own');
    page.button(/^\s*Add a row/).click();
    await shown(() => page.element.querySelector('ft-param-table tbody tr') !== null);
    const ports = page.element.querySelector('ft-param-table')!;
    await enterCell(page, cellOf(ports, '', 'key'), 'in');
    await shown(() => cellOf(ports, '', 'key').textContent.trim() === 'in');
    await enterCell(page, cellOf(ports, '', 'name'), 'in');
    await shown(() => cellOf(ports, '', 'name').textContent.trim() === 'in');
    one('ft-device-form form').dispatchEvent(new Event('submit', { cancelable: true }));
    await until(() => app.api.entries.length === 1, 'entry 1');
    page.element.remove();

    await openDevice('unit-of-your-own');
    page.button(/^\s*The same as JSON/).click();
    await shown(() => isThere('textarea'));
    const params = {
      ports: [
        { key: 'in', name: 'in', direction: 'in' },
        { key: 'out', name: 'out', direction: 'out' },
      ],
    };
    fill(page, 'Data as JSON', '{ "ports": [');
    page.button(/^\s*Take the JSON/).click();
    expect(lastNotice()).toContain('This is not JSON');
    fill(page, 'Data as JSON', JSON.stringify({ ...params, routes: [{ from: 'in', to: 'exit' }] }));
    page.button(/^\s*Take the JSON/).click();
    await shown(() => lastNotice().includes('There is no connector “exit”. There are: in, out.'));
    fill(page, 'Data as JSON', JSON.stringify({ ...params, routes: [{ from: 'in', to: 'out', gainDb: 6 }] }));
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
    fill(page, 'Rack', 'Left rack');
    await until(() => app.api.entries.length === 1, 'entry 1');
    expect(rig().devices.find(({ id }) => id === ('opto' as typeof id))!.rack).toBe('Left rack');
  });
});
