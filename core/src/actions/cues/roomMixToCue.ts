import type { CueColumn, CueSend } from '../../cues/cueSources';
import { cueMatrix } from '../../cues/cueSources';
import { cellText } from '../../consoles/cells/channelCell';
import { panText } from '../../consoles/cells/panText';
import { deskKnobs } from '../../consoles/deskKnobs';
import type { CueId } from '../../rig/ids';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { CueEntry } from './cueCells';
import { cueCells } from './cueCells';
import type { WorkPlace } from '../workPlace';

/** Whether a channel goes to the mix of the control room, and where it stands in it. */
function inMix({ send }: CueSend, { context }: WorkPlace): { readonly isIn: boolean; readonly pan: string } {
  if (send.kind === 'track')
    return { isIn: !send.track.muted && send.track.outputs.length > 0, pan: panText(send.track.pan) };
  const knobs = deskKnobs(send.device, context.scene);
  const { toMix, pan, mute } = send.row.cells;
  const isOn = toMix !== undefined && cellText(toMix, knobs) === 'on';
  const isMuted = mute !== undefined && cellText(mute, knobs) === 'on';
  return { isIn: isOn && !isMuted, pan: pan === undefined ? 'C' : cellText(pan, knobs) };
}

/** How a send follows the fader: level 0 dB behind it, where its channel stands. */
function followText({ send }: CueSend, column: CueColumn, pan: string): string {
  const hasPan =
    send.kind === 'desk'
      ? send.cell.pan !== undefined
      : column.cue.carrier.on === 'host' && column.cue.carrier.width === 2;
  return `0 post${hasPan && pan !== 'C' ? ` ${pan}` : ''}`;
}

/**
 * The control room's mix into a cue: every send behind its fader at 0 dB and panned alike, what is not in the mix off.
 * It follows every move of the mix: for one overdub, not for a band.
 */
export function roomMixToCue(it: WorkPlace, cue: CueId): ChannelPlan {
  const column = cueMatrix(it.context).columns.find((each) => each.cue.id === cue);
  if (column === undefined) return { edits: [], changes: [], refused: [] };
  const canFollow = [...column.sends.values()]
    .flat()
    .every(({ send }) => send.kind === 'track' || send.cell.taps.some(({ word }) => word === 'post'));
  if (!canFollow)
    return {
      ...{ edits: [], changes: [] },
      refused: [
        {
          ...{ at: 0, row: column.cue.name, column: 'mix' },
          sentence:
            'Its carrier has no faders to follow. Copy a cue of the console instead, or send its mix over.',
        },
      ],
    };
  const entries = [...column.sends].map(([source, sends]): CueEntry => {
    const inIt = sends.map((each) => ({ each, ...inMix(each, it) })).find(({ isIn }) => isIn);
    if (inIt === undefined) return { source, cue, text: 'off' };
    const both = new Set(sends.map(({ comes }) => comes)).size > 1;
    const from = both ? ` ${inIt.each.comes}` : '';
    return { source, cue, text: `${followText(inIt.each, column, inIt.pan)}${from}` };
  });
  return cueCells(it, entries);
}
