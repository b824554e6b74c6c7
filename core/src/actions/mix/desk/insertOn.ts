import type { DeskPoint } from '../../../consoles/mixing/deskOfSum';
import { deskText } from '../../../consoles/mixing/deskBuses';
import { sidesOfChain } from '../../../mix/chainUnits';
import { insertLines, insertSides } from '../../../consoles/mixing/insertSides';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { readChain } from '../../../typed/job/jobUnits';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits, removeThreadEdits } from '../../track/threadEdits';
import { linesBetween } from './linesBetween';
import { standstill, turnLoops } from '../jobs/jobRoutes';

/** Inserts that are switched out are switched in, before the equaliser where they may stand behind it too. */
function switchedIn(up: SettingUp, points: readonly DeskPoint[]): void {
  for (const { desk, row } of points) {
    if (deskText(desk, row, 'insert') !== 'out') continue;
    const cell = row.cells['insert']?.cell;
    const text = cell?.kind === 'insert' && cell.after !== undefined ? 'in before EQ' : 'in';
    up.cells(desk.device.id, [{ row: row.id, column: 'insert', text }]);
  }
}

/**
 * Hangs a chain of units on the insert points of rows side by side, `bus compressor > four-band`; an empty text takes off
 * what hangs there. What hung there before goes.
 */
export function insertOn(
  up: SettingUp,
  name: string,
  points: readonly DeskPoint[],
  text: string,
): CellReading<null> {
  const sides = insertSides(up.it.context, points);
  if (sides.length < points.length)
    return refuse(
      `${name} has no insert point. Take one of a channel, or give the console group inserts in Rig, Rooms and devices.`,
    );
  const track = { name, width: sides.length };
  const chain = text.trim() === '' ? undefined : readChain(up.it.context, track, text);
  if (chain?.ok === false) return chain;
  let why: string | undefined;
  up.attempt(() => {
    for (const { id } of insertLines(up.it.context, sides))
      up.make(removeThreadEdits(up.it.studio, up.it.place, id));
    if (chain === undefined) return true;
    turnLoops(up, { chain: chain.value });
    switchedIn(up, points);
    const { context, studio, place } = up.it;
    const own = sidesOfChain(context.graph, { chain: chain.value }, sides.length);
    const lines = linesBetween(context, { name: `${name} insert`, purpose: 'feed' }, sides, own);
    up.make(addThreadsEdits(studio, place, lines));
    why = standstill(up, lines);
    return why === undefined;
  });
  return why === undefined ? value(null) : refuse(why);
}
