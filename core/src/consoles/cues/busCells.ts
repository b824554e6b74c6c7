import type { WorkedScene } from '../../scene/workedScene';
import type { Carrier } from '../../session/cueSchema';
import { formatNumber } from '../../units/format';
import { deskOf } from '../desk';
import type { ReadyCell } from '../ready/readyLine';
import { START } from '../ready/readyLine';

/** How the buses of a cue are set at its start: a pair where they are two, masters full, unmuted, talkback assigned. */
export function busCells(
  context: WorkedScene,
  carrier: Carrier,
  withTalkback: boolean,
): readonly ReadyCell[] {
  if (carrier.on === 'host') return [];
  const desk = deskOf(context, carrier.device);
  return carrier.rows.flatMap((id, i) => {
    const cells = desk?.rows.find((row) => row.id === id)?.cells ?? {};
    const wanted: Readonly<Record<string, string>> = {
      ...(i === 0 && { stereo: carrier.rows.length === 2 ? 'on' : 'off' }),
      fader: formatNumber(START.mastersDb),
      mute: 'off',
      ...(withTalkback && { talk: 'on' }),
    };
    return Object.entries(wanted).flatMap(([column, text]) =>
      cells[column] === undefined ? [] : [{ row: id, column, text }],
    );
  });
}
