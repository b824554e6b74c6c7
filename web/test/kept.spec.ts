/**
 * What the version before this one left in a browser, entry by entry as it wrote it: text typed into cells of the
 * input list and not taken over, and a change that the server had not confirmed.
 */
const LEFT_BEHIND: Readonly<Record<string, string>> = {
  'ft-author': '0123456789abcdef0123456789abcdef',
  'ft-theme': 'paper',
  'ft-draft:line-1:performer': 'Ada Lor',
  'ft-draft:line-2:levelDbSpl': 'loud',
  'ft-draft:line-3:pins.preamp': 'mic pre',
  'ft-pending:saltglass-rooms:00000000000000000000000000000001': JSON.stringify({
    order: 1,
    change: {
      id: '00000000000000000000000000000001',
      label: '2 Joss Verrill, Lamplighter: Source',
      edits: [
        {
          ...{ type: 'thread.set', session: 'lamplighters-ledger', id: 'line-2', field: 'source' },
          ...{ value: 'Keeper', was: 'Lamplighter' },
        },
      ],
    },
    incarnation: 'first',
  }),
};

describe('what a browser kept from the version before', () => {
  it('stands in its cells, is sent, and nothing of it is lost', async () => {
    localStorage.clear();
    for (const [key, text] of Object.entries(LEFT_BEHIND)) localStorage.setItem(key, text);
    // The program begins after the browser has its storage: nothing of it is loaded before.
    const { bench, until } = await import('./mount');
    const { InputList } = await import('../src/app/stages/track/input-list/input-list');
    const app = bench();
    await app.open();
    const sheet = app.mount(InputList);
    await sheet.says('Ada Lor');
    const drafts = [...sheet.element.querySelectorAll('td.draft')].map(({ textContent }) =>
      textContent.trim(),
    );
    expect(drafts).toEqual(['Ada Lor', 'loud', 'mic pre']);
    await until(() => app.api.entries.length === 1, 'the change to be sent');
    expect(app.api.entries[0]!.label).toBe('2 Joss Verrill, Lamplighter: Source');
    expect(app.api.studioNow.sessions[0]!.threads[1]!.source).toBe('Keeper');
    await until(
      () => Object.keys(localStorage).every((key) => !key.startsWith('ft-pending')),
      'the change to be forgotten here',
    );
  });
});
