import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { bareError, openLog } from '../src/log/log';
import { emptyFolder } from './helpers';

/** An error as the data base library makes it: its message repeats what was to be stored. */
function storeError(): Error {
  const parent = Object.assign(new Error('SQLITE_FULL'), { code: 'SQLITE_FULL' });
  return Object.assign(new Error("INSERT INTO entries VALUES ('Imke Tarrow')"), { parent });
}

describe('the log', () => {
  it('tells kind, code and place of an error, and never its message', () => {
    const facts = bareError(storeError());
    expect(facts).toMatchObject({ error: 'Error', code: 'SQLITE_FULL' });
    expect(facts['at']).toContain('log.spec.ts');
    expect(JSON.stringify(facts)).not.toContain('Imke');
    expect(bareError('a text that was thrown')).toMatchObject({ error: 'string' });
    expect(bareError(undefined)).toMatchObject({ error: 'undefined' });
  });

  it('is a file in the data folder; details are in it only when asked for', async () => {
    for (const verbose of [false, true]) {
      const folder = emptyFolder();
      const terminal = jest.spyOn(process.stderr, 'write').mockImplementation(() => true);
      const log = openLog(folder, { verbose });
      log.note('backup made', { bytes: 7 });
      log.detail('answered', { route: '/studios/:id' });
      log.trouble('a request failed', storeError(), { status: 507 });
      await log.close();
      const lines = readFileSync(join(folder, 'faithful-thread.log'), 'utf8').trim().split('\n');
      expect(lines.map((line) => (JSON.parse(line) as { msg: string }).msg)).toEqual(
        verbose ? ['backup made', 'answered', 'a request failed'] : ['backup made', 'a request failed'],
      );
      expect(lines.join()).not.toContain('Imke');
      expect(terminal.mock.calls.length > 0).toBe(verbose);
      terminal.mockRestore();
      rmSync(folder, { recursive: true });
    }
  });
});
