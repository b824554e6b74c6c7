import { sidesOfChain } from '../../../mix/chainUnits';
import type { Desk } from '../../../consoles/desk';
import { deskText, isOn } from '../../../consoles/mixing/deskBuses';
import type { ParallelLine } from '../../../consoles/mixing/parallelLines';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { readChain } from '../../../typed/job/jobUnits';
import type { SettingUp } from '../../settingUp';
import { changeThreadEdits, removeThreadEdits } from '../../track/threadEdits';
import { standstill, turnLoops } from '../jobs/jobRoutes';

/** A parallel bus goes: its lines, the sends to it, and its returns out of the mix. */
function endParallel(up: SettingUp, desk: Desk, { bus, lines, returns }: ParallelLine): void {
  for (const { id } of lines) up.make(removeThreadEdits(up.it.studio, up.it.place, id));
  const column = bus.rows[0]?.row.fedBy ?? '';
  const senders = desk.rows.filter((row) => isOn(deskText(desk, row, column)));
  up.cells(desk.device.id, [
    ...senders.map(({ id }) => ({ row: id, column, text: 'off' })),
    ...returns.map(({ id }) => ({ row: id, column: 'toMix', text: 'off' })),
  ]);
}

/** Takes a parallel bus over other units, `bus compressor > equaliser`; an empty text ends it. */
export function parallelUnits(
  up: SettingUp,
  desk: Desk,
  parallel: ParallelLine,
  text: string,
): CellReading<null> {
  const { bus, lines } = parallel;
  if (text.trim() === '') {
    endParallel(up, desk, parallel);
    return value(null);
  }
  const chain = readChain(up.it.context, { name: bus.name, width: lines.length }, text);
  if (!chain.ok) return chain;
  let why: string | undefined;
  up.attempt(() => {
    turnLoops(up, { chain: chain.value });
    const sides = sidesOfChain(up.it.context.graph, { chain: chain.value }, lines.length);
    for (const [side, thread] of lines.entries())
      up.make(
        changeThreadEdits(up.it.studio, up.it.place, thread.id, {
          ...{ field: 'inserts', value: [...(sides[side] ?? [])], was: thread.inserts },
        }),
      );
    why = standstill(up, lines);
    return why === undefined;
  });
  return why === undefined ? value(null) : refuse(why);
}
