import type { KnobRef } from '../../../deviceModel';
import { counted, each, knob, knobRef, patch, preampCells, send } from '../../../sheets/cells';
import type { ChannelCell, SheetRow } from '../../../sheets/channelSheet';
import type { Crossbar } from '../../digital/crossbar';
import { numbersTo } from '../../params';
import { laneAt } from '../../routeKinds';
import { insertedInputs } from './digitalInputs';
import type { DeskParams } from './digitalParams';
import { returnLane } from './digitalSends';

export type Cells = Readonly<Record<string, ChannelCell>>;

/** The patch pages of a console, by their knobs. */
export type PatchPages = ReadonlyMap<string, Crossbar>;

/** The patch of one row of a page; nothing where the console has no such page. */
export function patched(pages: PatchPages, setting: string, n: number): Cells {
  const bar = pages.get(setting);
  return bar === undefined ? {} : { source: patch(bar, n) };
}

/** The auxes of a channel; those that can be a pair have a pan with the left one. */
const auxCells = (p: DeskParams, n: number): Cells =>
  each('aux', numbersTo(p.auxes), (k) => {
    const isLeft = k % 2 === 1;
    const left = isLeft ? k : k - 1;
    const canPair = left < p.auxes;
    return send(knobRef(`aux${k}`, n), knobRef(`aux${k}Db`, n), {
      ...(canPair && {
        pair: {
          knob: knobRef('auxStereo', Math.ceil(k / 2)),
          side: isLeft ? 'left' : 'right',
          number: left,
        },
      }),
      ...(canPair && isLeft && { pan: knobRef(`aux${k}Pan`, n) }),
    });
  });

const groupsOf = (p: DeskParams, n: number): readonly KnobRef[] =>
  numbersTo(p.groups).map((g) => knobRef(`group${g}`, n));

export const channelRow = (p: DeskParams, pages: PatchPages, n: number): SheetRow => ({
  id: `channel-${n}`,
  name: `channel ${n}`,
  lane: laneAt('channel', n),
  cells: {
    ...patched(pages, 'channelSource', n),
    trim: knob('trimDb', n),
    ...(p.effects > 0 && { effect: knob('channelInsert', n) }),
    eq: knob('eqIn', n),
    eqGain: knob('eqGainDb', n),
    dynamics: knob('dynamicsIn', n),
    dynamicsGain: knob('dynamicsGainDb', n),
    ...auxCells(p, n),
    ...(p.groups > 0 && { groups: counted('group', groupsOf(p, n)) }),
    toMix: knob('toMix', n),
    pan: knob('pan', n),
    fader: knob('faderDb', n),
    ...(p.vcas > 0 && { vca: knob('vca', n) }),
    mute: knob('mute', n),
  },
});

export const inputRow = (p: DeskParams, n: number): SheetRow => ({
  id: `mic-${n}`,
  name: `mic in ${n}`,
  lane: laneAt('amplified', n),
  ...(n <= insertedInputs(p).length && {
    insert: { send: laneAt(`insert-send-${n}`), back: laneAt(`insert-return-${n}`) },
  }),
  cells: {
    ...preampCells(n, p.phantom),
    reference: knob('adcReferenceDbu', n),
    ...(n <= insertedInputs(p).length && { insert: { kind: 'insert', in: knobRef('insertIn', n) } }),
  },
});

export const returnRow = (p: DeskParams, r: number): SheetRow => ({
  id: `return-${r}`,
  name: `return ${r}`,
  lane: returnLane('return', r, 1),
  cells: {
    source: knob('returnSource', r),
    ...each('aux', numbersTo(p.auxes), (k) =>
      send(knobRef(`returnAux${k}`, r), knobRef(`returnAux${k}Db`, r)),
    ),
    toMix: knob('returnToMix', r),
    fader: knob('returnFaderDb', r),
    mute: knob('returnMute', r),
  },
});
