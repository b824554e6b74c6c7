import { stepSheets } from '../src/app/shell/step-sheets';
import { shortcutOf } from '../src/app/shell/shortcuts';

describe('a key', () => {
  const pressed = (init: KeyboardEventInit, target: EventTarget = document.body): string | undefined => {
    const event = new KeyboardEvent('keydown', { ...init, cancelable: true });
    Object.defineProperty(event, 'target', { value: target });
    return shortcutOf(event);
  };

  it.each<[KeyboardEventInit, string | undefined]>([
    [{ key: '[' }, 'hop-back'],
    [{ key: ']' }, 'hop-on'],
    [{ key: '\\' }, 'strip'],
    [{ key: 'g' }, 'go'],
    [{ key: '/' }, 'find'],
    [{ key: '?', shiftKey: true }, 'help'],
    [{ key: 'z', ctrlKey: true }, 'undo'],
    [{ key: 'Z', ctrlKey: true, shiftKey: true }, 'redo'],
    [{ key: 'y', metaKey: true }, 'redo'],
    [{ key: 'F6' }, 'sheet-on'],
    [{ key: 'F6', shiftKey: true }, 'sheet-back'],
    [{ key: 'ArrowDown' }, 'sheet-on'],
    [{ key: 'z' }, undefined],
    [{ key: '[', altKey: true }, undefined],
  ])('%j', (init, shortcut) => {
    expect(pressed(init)).toBe(shortcut);
  });

  it('is a letter while somebody types', () => {
    expect(pressed({ key: '[' }, document.createElement('input'))).toBeUndefined();
    expect(pressed({ key: 'z', ctrlKey: true }, document.createElement('textarea'))).toBeUndefined();
    expect(pressed({ key: 'g' }, document.createElement('input'))).toBeUndefined();
  });

  it('steps on through a list while the keys are in one, and out of a field to a sheet', () => {
    expect(pressed({ key: 'ArrowDown' }, document.createElement('button'))).toBeUndefined();
    expect(pressed({ key: 'F6' }, document.createElement('input'))).toBe('sheet-on');
  });

  it('leads away even while somebody types, with Alt', () => {
    const field = document.createElement('input');
    expect(pressed({ key: 'g', code: 'KeyG', altKey: true }, field)).toBe('go');
  });
});

describe('steps through the sheets of a page', () => {
  const sheet = (name: string): string =>
    `<div role="grid"><span tabindex="-1"></span><span tabindex="0" id="${name}"></span></div>`;
  const here = (): string | undefined => document.activeElement?.id;
  beforeEach(() => {
    document.body.innerHTML = `${sheet('stems')}<div role="grid"></div>${sheet('buses')}`;
  });

  it('go into the first, on, and round', () => {
    const seen = [1, 1, 1].map((by) => {
      stepSheets(document, by as 1);
      return here();
    });
    expect(seen).toEqual(['stems', 'buses', 'stems']);
  });

  it('go back, from nowhere to the last', () => {
    const seen = [-1, -1, -1].map((by) => {
      stepSheets(document, by as -1);
      return here();
    });
    expect(seen).toEqual(['buses', 'stems', 'buses']);
  });

  it('go nowhere where there is none', () => {
    document.body.innerHTML = '';
    stepSheets(document, 1);
    expect(document.activeElement).toBe(document.body);
  });
});
