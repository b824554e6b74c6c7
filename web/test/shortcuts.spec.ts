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

  it('leads away even while somebody types, with Alt', () => {
    const field = document.createElement('input');
    expect(pressed({ key: 'g', code: 'KeyG', altKey: true }, field)).toBe('go');
  });
});
