import { CUE, cueStudio } from '../../core/test/fixtures/cueStudio';
import { CUE_EXAMPLES } from '../../core/test/checks/examples/cues';
import type { Parts } from '../../core/test/fixtures/studioOf';
import { studioOf } from '../../core/test/fixtures/studioOf';
import { SALTGLASS_PLACE } from '../../core/test/fixtures/thin/saltglass';
import { CuesPage } from '../src/app/stages/cues/cues-page';
import { studioFeature } from '../src/app/state/studio.feature';
import { cellOf, enterCell, field, fill, over, pick } from './hands';
import { MemoryApi } from './memory-api';
import type { Bench, Mounted } from './mount';
import { bench, until } from './mount';

let app: Bench;
let page: Mounted<unknown>;

/** The parts under the place the bench opens at. */
function placed(parts: Parts): Parts {
  const scene = SALTGLASS_PLACE.scene as string;
  const cues = (parts.session?.cues ?? []).map((cue) => ({ ...cue, scenes: [scene] }));
  return {
    ...parts,
    threads: (parts.threads ?? []).map((thread) => ({ ...thread, scenes: [scene] })),
    session: {
      ...{ ...parts.session, id: SALTGLASS_PLACE.session, name: 'Session', cues },
      scenes: [{ id: scene, name: 'Tracking', cords: [], settings: parts.settings ?? {} }],
    },
  };
}

async function open(parts: Parts, says: string): Promise<void> {
  localStorage.clear();
  const api = new MemoryApi();
  api.studioNow = { ...studioOf(placed(parts)), id: 'saltglass-rooms' as never };
  app = bench(api);
  await app.open();
  page = app.mount(CuesPage);
  await page.says(says);
}

/** A narrator with a click and a pair that nobody wears, and a second cue on an aux that nobody hears. */
const TWO: Parts = {
  ...CUE_EXAMPLES['open-headphones'].trips,
  session: {
    ...CUE_EXAMPLES['open-headphones'].trips.session,
    cues: [
      { ...CUE, headphones: [{ id: 'phones' }, { id: 'spare' }] },
      {
        ...{ ...CUE, id: 'mono', number: 2, name: 'Second', headphones: [] },
        carrier: { on: 'console', device: 'console', rows: ['aux-1'] },
      },
    ],
  },
};

const shown = (condition: () => boolean, what?: string): Promise<void> =>
  until(() => {
    page.fixture.detectChanges();
    return condition();
  }, what);
const session = () => app.api.studioNow.sessions[0]!;
const settings = (): Record<string, unknown> => ({ ...session().scenes[0]!.settings });
const changed = async (count: number): Promise<void> => {
  await shown(() => app.api.entries.length === count, `change ${String(count)}`);
  await shown(() => over() === null, 'the panel closed');
};
const sheetNamed = (name: string): HTMLElement =>
  page.element.querySelector(`[role=grid][aria-label="${name}"]`)!;
const cue = (row: string, title: string): HTMLElement => cellOf(sheetNamed('Cues'), row, title);
const ear = (row: string, title: string): HTMLElement => cellOf(sheetNamed('Ears'), row, title);
const notices = (): string =>
  app.store
    .selectSignal(studioFeature.selectNotices)()
    .map(({ text }) => text)
    .join(' ');

async function openPanel(button: RegExp, item?: RegExp): Promise<HTMLElement> {
  page.button(button).click();
  page.fixture.detectChanges();
  if (item !== undefined) page.button(item).click();
  await shown(() => over() !== null, 'the panel');
  return over()!;
}
const press = (name: RegExp, inside: HTMLElement): void => {
  const button = [...inside.querySelectorAll('button')].find(({ textContent }) =>
    name.test(textContent.trim()),
  );
  if (button === undefined) throw new Error(`there is no button ${String(name)}`);
  button.click();
  page.fixture.detectChanges();
};

describe('the cues of a scene', () => {
  beforeEach(async () => {
    await open(TWO, 'At the ears');
    await shown(() => page.text().includes('Spare') && page.text().includes('2 Click'), 'the rows');
  });

  it('are sources against cues, and a cell is the send of the console', async () => {
    await enterCell(page, cue('Voice', 'Narrator'), '-4 pre L20');
    await changed(1);
    expect(settings()).toMatchObject({ 'console/cueDb/1': -4, 'console/cuePan/1': -20 });
    expect(app.api.entries.at(-1)).toMatchObject({ label: 'Narrator cue: 1 Imke Tarrow, Voice -4 pre L20' });
    await enterCell(page, cue('Voice', 'Narrator'), '+40');
    await shown(() => page.text().includes('12'), 'the refusal');
    expect(app.api.entries).toHaveLength(1);
  });

  it('have talkback and the click thrown by Space', async () => {
    const talk = cue('Talkback', 'Narrator');
    talk.focus();
    page.press(talk, ' ');
    await changed(1);
    expect(settings()).toMatchObject({ 'console/talkToCue/1': false });
    const click = cue('2 Click', 'Click');
    click.focus();
    page.press(click, ' ');
    await changed(2);
    expect(session().threads.map((thread) => thread.click)).toEqual([undefined, undefined]);
  });

  it('are heard at ears, whose volumes and wearers are typed', async () => {
    await enterCell(page, ear('Spare', 'Volume'), '-40');
    await changed(1);
    expect(settings()).toMatchObject({ 'amp/levelDb/2': -40 });
    await enterCell(page, ear('Spare', 'Away'), '4');
    await changed(2);
    expect(session().cues.find(({ id }) => id === 'narrator')!.headphones[1]).toEqual({
      id: 'spare',
      distanceM: 4,
    });
    const worn = ear('Phones', 'Worn');
    worn.focus();
    page.press(worn, ' ');
    await changed(3);
    expect(session().cues.find(({ id }) => id === 'narrator')!.headphones[0]).toEqual({
      id: 'phones',
      lying: true,
    });
  });

  it('are muted where nobody wears them with one key', async () => {
    document.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyM', altKey: true, bubbles: true }));
    await changed(1);
    expect(settings()).toMatchObject({ 'amp/levelDb/2': -80 });
    document.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyM', altKey: true, bubbles: true }));
    await shown(() => notices().includes('It all stands so already.'), 'that nothing is left to mute');
    expect(app.api.entries).toHaveLength(1);
  });

  it('go to 75 dB SPL for the first sound, pair by pair that is worn', async () => {
    page.button(/^Volumes/).click();
    page.fixture.detectChanges();
    page.button(/^First sound/).click();
    await changed(1);
    expect(settings()['amp/levelDb/1']).not.toBe(-20);
    expect(settings()['amp/levelDb/2']).toBe(-30);
  });

  it('say what an ear hears, source by source', async () => {
    const cell = ear('Phones', 'Headphones');
    cell.focus();
    page.press(cell, 'Enter');
    await shown(() => over() !== null, 'the panel');
    await shown(() => over()!.textContent.includes('Own: 1 Imke Tarrow, Voice'), 'what is heard');
    expect(over()!.textContent).toContain('What Imke Tarrow hears');
    expect(over()!.textContent).toContain('Click: 2 Click');
    expect(over()!.textContent).toMatch(/Talkback is \d+ dB over everything else/);
  });

  it('are copied, with what it comes to first', async () => {
    cue('Voice', 'Narrator').focus();
    page.fixture.detectChanges();
    const panel = await openPanel(/^More/, /^Copy a cue/);
    field('Second', panel).click();
    await shown(() => panel.textContent.includes('cells change'), 'the preview');
    press(/^Copy$/, panel);
    await changed(1);
    expect(settings()).toMatchObject({ 'console/aux1/1': 1, 'console/aux1Db/1': -10 });
  });

  it('give somebody more of themself, or say why not', async () => {
    ear('Phones', 'Headphones').focus();
    page.fixture.detectChanges();
    const panel = await openPanel(/^More/, /^More of Imke Tarrow/);
    fill(page, 'Own sound up by', '1', panel);
    await shown(() => panel.textContent.includes('cells change'), 'the preview');
    press(/^Give them more/, panel);
    await changed(1);
    expect(settings()).toMatchObject({ 'console/cueDb/1': -9 });
    expect(Number(settings()['console/cueDb/2'])).toBeLessThan(-10);
  });

  it('take the click, and hold it out of the mix', async () => {
    const panel = await openPanel(/^More/, /^Click in the cues/);
    field('Second', panel).click();
    page.fixture.detectChanges();
    fill(page, 'Level', '-30', panel);
    await shown(() => panel.textContent.includes('One cell changes'), 'the preview');
    press(/^Put it in/, panel);
    await changed(1);
    expect(settings()).toMatchObject({ 'console/aux1/2': 1, 'console/aux1Db/2': -30 });
    cue('2 Click', 'Narrator').focus();
    page.fixture.detectChanges();
    const only = await openPanel(/^More/, /^2 Click in headphones only/);
    await shown(() => only.textContent.includes('Nothing changes'), 'that it is so already');
  });

  it('are renamed, lose a pair, take the control room’s mix, and are removed', async () => {
    cue('Voice', 'Narrator').focus();
    page.fixture.detectChanges();
    const panel = await openPanel(/^Narrator …/);
    fill(page, 'Name', 'Voice booth', panel);
    await shown(() => app.api.entries.length === 1, 'the name');
    await shown(() => panel.textContent.includes('Cue Voice booth'), 'the new name');
    press(/^Take off/, panel);
    await shown(() => app.api.entries.length === 2, 'the pair taken off');
    expect(session().cues.find(({ id }) => id === 'narrator')).toMatchObject({
      ...{ name: 'Voice booth', headphones: [{ id: 'spare' }] },
    });
    press(/^What that would change/, panel);
    await shown(() => panel.textContent.includes('Send the mix'), 'the preview of the mix');
    press(/^Remove the cue/, panel);
    await changed(3);
    expect(session().cues.map(({ id }) => id)).toEqual(['mono']);
  });
});

describe('a scene without cues', () => {
  beforeEach(() => open(cueStudio({ session: { cues: [] } }), 'None is used in this scene yet'));

  it('has one set up in a step, looked at first', async () => {
    const panel = await openPanel(/^Set up a cue/);
    await shown(() => panel.textContent.includes('Console stereo cue'), 'the carriers');
    fill(page, 'Name', 'Narrator', panel);
    pick(page, 'Carried by', 'Console stereo cue');
    field('Phones, Imke Tarrow', panel).click();
    await shown(() => panel.textContent.includes('Narrator cue left'), 'the preview');
    press(/^Set it up/, panel);
    await changed(1);
    expect(session().cues).toMatchObject([{ name: 'Narrator', headphones: [{ id: 'phones' }] }]);
    expect(session().threads.filter(({ purpose }) => purpose === 'cue')).toHaveLength(2);
    await page.says('At the ears');
    await shown(() => cue('How it runs', 'Narrator').textContent.includes('patched'), 'how it runs');
  });

  it('says why a cue cannot be', async () => {
    const panel = await openPanel(/^Set up a cue/);
    await shown(() => panel.textContent.includes('Console stereo cue'), 'the carriers');
    fill(page, 'Name', 'Narrator', panel);
    pick(page, 'Carried by', 'Console aux 1');
    expect(panel.textContent).toContain('choose what carries it');
    field('Phones, Imke Tarrow', panel).click();
    await shown(() => panel.textContent.includes('Nothing leads from Console aux out 1'), 'the refusal');
    expect(panel.textContent).toContain('It cannot be done so.');
  });
});
