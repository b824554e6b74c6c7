import { diskTroubleOf } from './diskTrouble';
import { withRaw } from './rawDatabase';

/** Whether a file is a whole data base; if not, what is the matter. */
export type Soundness = { readonly ok: true } | { readonly ok: false; readonly reason: string };

const damaged = (reason: string): Soundness => ({ ok: false, reason });

/**
 * Looks a data base file over.
 * @param thorough every page and index, and every reference (`integrity_check`); otherwise the pages alone,
 *   which is quick enough for every start (`quick_check`).
 */
export async function soundnessOf(file: string, thorough: boolean): Promise<Soundness> {
  try {
    return await withRaw(file, async (database) => {
      const [first] = await database.all(`PRAGMA ${thorough ? 'integrity' : 'quick'}_check(1)`);
      const said = String(Object.values(first ?? {})[0]);
      if (said !== 'ok') return damaged(said);
      const dangling = thorough ? await database.all('PRAGMA foreign_key_check') : [];
      return dangling.length === 0
        ? { ok: true }
        : damaged(`${String(dangling.length)} rows refer to something that is not there`);
    });
  } catch (error) {
    if (diskTroubleOf(error) !== 'disk-damaged') throw error;
    return damaged('it is not a data base any more');
  }
}
