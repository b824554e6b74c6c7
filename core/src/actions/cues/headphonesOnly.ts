import { cueMatrix } from '../../cues/cueSources';
import { formatNumber } from '../../units/format';
import { START } from '../../consoles/ready/readyLine';
import { editSet } from '../../edits/make';
import type { CueId } from '../../rig/ids';
import { cueSourceName } from '../../words/cueSourceNames';
import { sourceKey } from '../../cues/cueSources';
import type { ChannelPlan } from '../consoles/channelPlan';
import { plannedCells } from '../consoles/plannedCells';
import { cueCells } from './cueCells';
import type { CuePlace } from './cuePlace';
import { cuePlaceAfter } from './cuePlace';

/** The columns by which a channel leaves for anything but a cue. */
const OUT_OF_IT = { toMix: 'off', groups: 'none' } as const;

/** A source, an effect above all, in a cue and nowhere else: its send on, its ways to mix and groups off. */
export function headphonesOnly(it: CuePlace, cue: CueId, source: string): ChannelPlan {
  const matrix = cueMatrix(it.context);
  const column = matrix.columns.find((each) => each.cue.id === cue);
  const at =
    (column?.sends.get(source) ?? []).find(({ send }) => send.isOn) ?? column?.sends.get(source)?.[0];
  const found = matrix.sources.find((each) => sourceKey(each) === source);
  const name = found === undefined ? source : cueSourceName(it.context, found);
  if (column === undefined || at === undefined)
    return {
      ...{ edits: [], changes: [] },
      refused: [
        { at: 0, row: name, column: 'send', sentence: 'It does not come to the carrier of this cue.' },
      ],
    };
  const { send } = at;
  const first: ChannelPlan =
    send.kind === 'track'
      ? {
          edits: [
            editSet('track', { session: it.place.session }, send.track.id, {
              ...{ field: 'outputs', value: [], was: send.track.outputs },
            }),
          ],
          changes: [{ row: send.track.name, column: 'Outputs', from: 'on', to: 'none' }],
          refused: [],
        }
      : plannedCells(
          { ...it, device: send.device.id },
          Object.entries(OUT_OF_IT).flatMap(([id, text]) =>
            send.row.cells[id] === undefined ? [] : [{ row: send.row.id, column: id, text }],
          ),
        );
  const then = cuePlaceAfter(it, first.edits);
  if (then === undefined || send.isOn) return first;
  const tap = send.kind === 'track' || send.cell.taps.some(({ word }) => word === 'pre') ? ' pre' : '';
  const second = cueCells(then, [{ source, cue, text: `${formatNumber(START.noonDb)}${tap}` }]);
  return {
    edits: [...first.edits, ...second.edits],
    changes: [...first.changes, ...second.changes],
    refused: [...first.refused, ...second.refused],
  };
}
