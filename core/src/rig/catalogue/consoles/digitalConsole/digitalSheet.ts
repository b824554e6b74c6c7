import { each, knob, knobRef, plainSend } from '../../../sheets/cells';
import type { ChannelSheet, SheetRow } from '../../../sheets/channelSheet';
import { channelSheet, numbered, section } from '../../../sheets/channelSheet';
import { controlRoomRows } from '../../monitoring/controlRoomSheet';
import { linkLane } from '../../digital/digitalPreamp';
import { numbersTo } from '../../params';
import { laneAt } from '../../routeKinds';
import { hasTalkback, sourceNames } from './digitalCentre';
import { digitalLayers } from './digitalLayers';
import { remoteSection } from '../remoteRows';
import type { DeskParams } from './digitalParams';
import { CARD_LANES, deskCrossbars } from './digitalPatch';
import type { Cells, PatchPages } from './digitalStripRows';
import { channelRow, inputRow, patched, returnRow } from './digitalStripRows';

/** @param place among what a matrix can take in. */
const matrixSends = (p: DeskParams, place: number): Cells =>
  each('matrix', numbersTo(p.matrices), (m) =>
    plainSend(knobRef(`matrix${m}`, place), knobRef(`matrix${m}Db`, place)),
  );

const groupRow = (p: DeskParams, g: number): SheetRow => ({
  id: `group-${g}`,
  name: `group ${g}`,
  lane: laneAt('group', g),
  cells: {
    ...matrixSends(p, g + 2),
    toMix: knob('groupToMix', g),
    fader: knob('groupFaderDb', g),
    mute: knob('groupMute', g),
  },
});

const auxRow = (p: DeskParams, k: number): SheetRow => ({
  id: `aux-${k}`,
  name: `aux ${k}`,
  lane: laneAt('aux', k),
  fedBy: `aux${k}`,
  cells: {
    ...(k <= 2 * Math.floor(p.auxes / 2) && { stereo: knob('auxStereo', Math.ceil(k / 2)) }),
    ...(hasTalkback(p) && { talk: knob('talkToAux', k) }),
    fader: knob('auxMasterDb', k),
    mute: knob('auxMute', k),
  },
});

const matrixRow = (m: number): SheetRow => ({
  id: `matrix-${m}`,
  name: `matrix ${m}`,
  lane: laneAt('matrix', m),
  fedBy: `matrix${m}`,
  cells: { fader: knob('matrixMasterDb', m), mute: knob('matrixMute', m) },
});

/** Both sides are on one fader; matrices take each for itself. */
const mixRow = (p: DeskParams, side: 1 | 2): SheetRow => ({
  id: `mix-${side}`,
  name: side === 1 ? 'mix left' : 'mix right',
  lane: laneAt('mix', side),
  cells: { ...matrixSends(p, side), fader: knob('mixFaderDb'), mute: knob('mixMute') },
});

const vcaRow = (v: number): SheetRow => ({
  id: `vca-${v}`,
  name: `VCA ${v}`,
  cells: { fader: knob('vcaDb', v), mute: knob('vcaMute', v) },
});

const effectRow = (pages: PatchPages, k: number): SheetRow => ({
  id: `effect-${k}`,
  name: `effect ${k}`,
  lane: laneAt('effect-in', k),
  cells: patched(pages, 'effectSource', k),
});

const outputRow = (pages: PatchPages, n: number): SheetRow => ({
  id: `out-${n}`,
  name: `line out ${n}`,
  lane: laneAt('dac', n),
  leaves: [laneAt(`out-${n}`)],
  cells: { ...patched(pages, 'lineOutSource', n), reference: knob('dacReferenceDbu', n) },
});

function cardRow(pages: PatchPages, n: number): SheetRow {
  const lane = linkLane('out', 'madi', n, CARD_LANES);
  return {
    ...{ id: `card-${n}`, name: `card out ${n}`, lane, leaves: [lane] },
    cells: patched(pages, 'cardOutSource', n),
  };
}

const STUDIO_JACKS = [laneAt('studio-left'), laneAt('studio-right')];

function centreRows(p: DeskParams): readonly SheetRow[] {
  const studio: SheetRow = {
    id: 'studio',
    name: 'studio',
    lane: laneAt('studio', 1),
    leaves: STUDIO_JACKS,
    cells: {
      source: knob('studioSource'),
      ...(hasTalkback(p) && { talk: knob('talkToStudio') }),
      fader: knob('studioLevelDb'),
      mute: knob('studioMute'),
    },
  };
  const talkback: SheetRow = {
    ...{ id: 'talkback', name: 'talkback', lane: laneAt('talk') },
    cells: { fader: knob('talkLevelDb') },
  };
  return [
    ...(p.speakerSets > 0
      ? controlRoomRows({
          sources: sourceNames(p),
          room: laneAt('control-room', 1),
          sets: numbersTo(p.speakerSets).map((s) => [
            laneAt(`speakers-${s}-left`),
            laneAt(`speakers-${s}-right`),
          ]),
        })
      : []),
    ...(p.studioOutputs ? [studio] : []),
    ...(hasTalkback(p) ? [talkback] : []),
  ];
}

/** Everything on the surface and the patch pages of the console. */
export function digitalSheet(p: DeskParams): ChannelSheet {
  const pages: PatchPages = new Map(deskCrossbars(p).map((bar) => [bar.setting, bar]));
  const sections = [
    numbered('channels', 'Channels', p.channels, (n) => channelRow(p, pages, n)),
    numbered('returns', 'Stereo returns', p.stereoReturns, (r) => returnRow(p, r)),
    numbered('groups', 'Groups', p.groups, (g) => groupRow(p, g)),
    numbered('auxes', 'Auxes', p.auxes, (k) => auxRow(p, k)),
    numbered('matrices', 'Matrices', p.matrices, matrixRow),
    section('mix', 'Mix', [mixRow(p, 1), mixRow(p, 2)]),
    numbered('vcas', 'VCAs', p.vcas, vcaRow),
    numbered('effects', 'Effects', p.effects, (k) => effectRow(pages, k)),
    section('centre', 'Control room and studio', centreRows(p)),
    numbered('inputs', 'Mic inputs', p.micInputs, (n) => inputRow(p, n)),
    numbered('outputs', 'Line outputs', p.lineOutputs, (n) => outputRow(pages, n)),
    numbered('cards', 'Card outputs', p.cards * CARD_LANES, (n) => cardRow(pages, n)),
    remoteSection(p.remoteFaders),
  ];
  return channelSheet(sections, digitalLayers(p));
}
