import { counted, each, knob, knobRef, preampCells, send } from '../../../sheets/cells';
import type { ChannelCell, ChannelSheet, SendCell, SheetLayer, SheetRow } from '../../../sheets/channelSheet';
import { channelSheet, numbered, section } from '../../../sheets/channelSheet';
import { controlRoomRows } from '../../monitoring/controlRoomSheet';
import { numbersTo } from '../../params';
import { laneAt } from '../../routeKinds';
import { groupInsert, groupJacks, sourceNames } from './splitCentre';
import { remoteLayer, remoteSection } from '../remoteRows';
import type { SplitParams } from './splitParams';

type Cells = Readonly<Record<string, ChannelCell>>;
type Path = 'channel' | 'monitor';

/** Auxes and cue leave either path of a strip: each row has the taps of its own. */
const TAPS: Readonly<Record<Path, SendCell['taps']>> = {
  channel: [
    { word: 'pre', position: 1 },
    { word: 'post', position: 2 },
  ],
  monitor: [
    { word: 'pre', position: 3 },
    { word: 'post', position: 4 },
  ],
};

const sendCells = (p: SplitParams, n: number, path: Path): Cells => ({
  ...each('aux', numbersTo(p.auxes), (k) =>
    send(knobRef(`aux${k}`, n), knobRef(`aux${k}Db`, n), { taps: TAPS[path] }),
  ),
  ...(p.stereoCue && {
    cue: send(knobRef('cue', n), knobRef('cueDb', n), { taps: TAPS[path], pan: knobRef('cuePan', n) }),
  }),
});

const channelRow = (p: SplitParams, n: number): SheetRow => ({
  id: `channel-${n}`,
  name: `channel ${n}`,
  lane: laneAt('channel', n),
  leaves: [laneAt(`direct-${n}`)],
  insert: { send: laneAt(`send-${n}`), back: laneAt(`return-${n}`) },
  lineIn: { lane: laneAt(`line-${n}`), source: 'line' },
  cells: {
    source: knob('channelInput', n),
    ...preampCells(n, p.phantom),
    trim: knob('lineTrimDb', n),
    insert: { kind: 'insert', in: knobRef('insertIn', n), after: knobRef('insertPostEq', n) },
    eq: knob('eqIn', n),
    eqGain: knob('eqGainDb', n),
    direct: knob('directPre', n),
    ...sendCells(p, n, 'channel'),
    ...(p.groups > 0 && {
      groups: counted(
        'group',
        numbersTo(p.groups).map((g) => knobRef(`group${g}`, n)),
      ),
    }),
    toMix: knob('toMix', n),
    pan: knob('pan', n),
    fader: knob('faderDb', n),
    ...(p.vcas > 0 && { vca: knob('vca', n) }),
    mute: knob('mute', n),
  },
});

const monitorRow = (p: SplitParams, n: number): SheetRow => ({
  id: `monitor-${n}`,
  name: `monitor ${n}`,
  lane: laneAt('monitor', n),
  cells: {
    source: knob('monitorInput', n),
    ...sendCells(p, n, 'monitor'),
    toMix: knob('monitorToMix', n),
    pan: knob('monitorPan', n),
    fader: knob('monitorFaderDb', n),
    mute: knob('monitorMute', n),
  },
});

function groupRow(p: SplitParams, g: number): SheetRow {
  const insert = groupInsert(p, g);
  return {
    id: `group-${g}`,
    name: `group ${g}`,
    lane: laneAt('group', g),
    leaves: groupJacks(p, g),
    ...(insert && { insert }),
    cells: {
      ...(insert && { insert: { kind: 'insert', in: knobRef('groupInsertIn', g) } }),
      toMix: knob('groupToMix', g),
      fader: knob('groupFaderDb', g),
    },
  };
}

const auxRow = (k: number): SheetRow => ({
  id: `aux-${k}`,
  name: `aux ${k}`,
  lane: laneAt('aux', k),
  fedBy: `aux${k}`,
  leaves: [laneAt(`aux-out-${k}`)],
  cells: { talk: knob('talkToAux', k), fader: knob('auxMasterDb', k) },
});

const CUE_ROW: SheetRow = {
  id: 'cue',
  name: 'stereo cue',
  lane: laneAt('cue', 1),
  fedBy: 'cue',
  leaves: [laneAt('cue-out-left'), laneAt('cue-out-right')],
  cells: { talk: knob('talkToCue'), fader: knob('cueMasterDb'), mute: knob('cueMute') },
};

const mixRow = (p: SplitParams): SheetRow => ({
  id: 'mix-1',
  name: 'mix',
  lane: laneAt('mix', 1),
  leaves: [laneAt('mix-out-left'), laneAt('mix-out-right')],
  insert: { send: laneAt('mix-send-left'), back: laneAt('mix-return-left') },
  insertRight: { send: laneAt('mix-send-right'), back: laneAt('mix-return-right') },
  cells: { ...(p.auxes >= 2 && { toAuxes: knob('mixToAuxes') }), fader: knob('mixFaderDb') },
});

const vcaRow = (v: number): SheetRow => ({
  id: `vca-${v}`,
  name: `VCA ${v}`,
  cells: { fader: knob('vcaDb', v), mute: knob('vcaMute', v) },
});

const ids = (prefix: string, count: number): readonly string[] =>
  numbersTo(count).map((n) => `${prefix}-${n}`);

/** The two paths of a strip lie on faders of their own; side by side they are seen strip by strip. */
const layersOf = (p: SplitParams): readonly SheetLayer[] => [
  {
    id: 'both',
    name: 'Both paths, strip by strip',
    rows: numbersTo(p.channels).flatMap((n) => [`channel-${n}`, `monitor-${n}`]),
  },
  { id: 'channel-faders', name: 'Channel faders', rows: ids('channel', p.channels) },
  { id: 'monitor-faders', name: 'Monitor faders', rows: ids('monitor', p.channels) },
  {
    id: 'masters',
    name: 'Masters',
    rows: [...ids('group', p.groups), ...ids('aux', p.auxes), ...(p.stereoCue ? ['cue'] : []), 'mix-1'],
  },
  { id: 'vcas', name: 'VCAs', rows: ids('vca', p.vcas) },
  remoteLayer(p.remoteFaders),
];

/** Everything on the surface of the console. */
export const splitSheet = (p: SplitParams): ChannelSheet =>
  channelSheet(
    [
      numbered('channels', 'Channels', p.channels, (n) => channelRow(p, n)),
      numbered('monitors', 'Monitor paths', p.channels, (n) => monitorRow(p, n)),
      numbered('groups', 'Groups', p.groups, (g) => groupRow(p, g)),
      section('auxes', 'Auxes and cue', [
        ...numbersTo(p.auxes).map(auxRow),
        ...(p.stereoCue ? [CUE_ROW] : []),
      ]),
      section('mix', 'Mix', [mixRow(p)]),
      numbered('vcas', 'VCAs', p.vcas, vcaRow),
      remoteSection(p.remoteFaders),
      section(
        'centre',
        'Control room',
        controlRoomRows({
          sources: sourceNames(p),
          room: laneAt('control-room', 1),
          sets: numbersTo(p.speakerSets).map((s) => [
            laneAt(`speakers-${s}-left`),
            laneAt(`speakers-${s}-right`),
          ]),
        }),
      ),
    ],
    layersOf(p),
  );
