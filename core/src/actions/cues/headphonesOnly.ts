import type { DeskSend } from '../../cues/carrierSends';
import { cueMatrix, sourceKey } from '../../cues/cueSources';
import { formatNumber } from '../../units/format';
import { START } from '../../consoles/ready/readyLine';
import { editSet } from '../../edits/make';
import type { CueId } from '../../rig/ids';
import { cueSourceName } from '../../words/cueSourceNames';
import type { Track } from '../../session/daw/trackSchema';
import type { ChannelPlan } from '../consoles/channelPlan';
import { plannedCells } from '../consoles/plannedCells';
import { cueCells } from './cueCells';
import type { WorkPlace } from '../workPlace';
import { workPlaceAfter } from '../workPlace';

/** The columns by which a channel leaves for anything but a cue. */
const OUT_OF_IT = { toMix: 'off', groups: 'none' } as const;

/** A track plays to no output any more. */
const trackOut = (it: WorkPlace, { id, name, outputs: was }: Track): ChannelPlan => ({
  edits: [editSet('track', { session: it.place.session }, id, { field: 'outputs', value: [], was })],
  changes: [{ row: name, column: 'Outputs', from: was.length === 0 ? 'none' : 'on', to: 'none' }],
  refused: [],
});

/** A channel goes to no mix and no group any more. */
const channelOut = (it: WorkPlace, { device, row }: DeskSend): ChannelPlan =>
  plannedCells(
    { ...it, device: device.id },
    Object.entries(OUT_OF_IT).flatMap(([column, text]) =>
      row.cells[column] === undefined ? [] : [{ row: row.id, column, text }],
    ),
  );

/** A source, an effect above all, in a cue and nowhere else: its send on, its ways to mix and groups off. */
export function headphonesOnly(it: WorkPlace, cue: CueId, source: string): ChannelPlan {
  const matrix = cueMatrix(it.context);
  const sends = matrix.columns.find((each) => each.cue.id === cue)?.sends.get(source) ?? [];
  const send = (sends.find((each) => each.send.isOn) ?? sends[0])?.send;
  if (send === undefined) {
    const found = matrix.sources.find((each) => sourceKey(each) === source);
    const row = found === undefined ? source : cueSourceName(it.context, found);
    const sentence = 'It does not come to the carrier of this cue. Bring it to a channel there first.';
    return { edits: [], changes: [], refused: [{ at: 0, row, column: 'send', sentence }] };
  }
  const first = send.kind === 'track' ? trackOut(it, send.track) : channelOut(it, send);
  const then = workPlaceAfter(it, first.edits);
  if (then === undefined || send.isOn) return first;
  const tap = send.kind === 'track' || send.cell.taps.some(({ word }) => word === 'pre') ? ' pre' : '';
  const second = cueCells(then, [{ source, cue, text: `${formatNumber(START.noonDb)}${tap}` }]);
  return {
    edits: [...first.edits, ...second.edits],
    changes: [...first.changes, ...second.changes],
    refused: [...first.refused, ...second.refused],
  };
}
