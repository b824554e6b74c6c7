import type { KnobRef, LaneKey, Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { FADER_RANGE, gainKnob, onOff, selector } from '../../knobs';
import { numbersTo } from '../../params';
import { analogueIn, insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { panKnob, panRoutes } from '../pan';
import { channelMute, CUE, MIX, SPLIT_PAN_LAW_DB } from './splitChannel';
import type { SplitParams } from './splitParams';

const SOURCES = ['tape', 'group'] as const;
const TAPS = [
  'channel before fader',
  'channel after fader',
  'monitor before fader',
  'monitor after fader',
] as const;
const TAP_LANES = ['equalised', 'fader', 'monitor', 'monitor-fader'] as const;

/** The switches of the monitor paths, and the aux sends, which may leave either path. */
export function monitorKnobs({ channels, auxes, stereoCue }: SplitParams): readonly SettingSpec[] {
  return [
    selector('monitorInput', 'Monitor listens to', channels, SOURCES, 1),
    gainKnob('monitorFaderDb', 'Monitor fader', channels, 0, FADER_RANGE),
    onOff('monitorMute', 'Monitor mute', channels),
    panKnob('monitorPan', 'Monitor pan', channels),
    onOff('monitorToMix', 'Monitor to mix', channels, true),
    ...(stereoCue
      ? [
          selector('cue', 'Cue from', channels, TAPS),
          gainKnob('cueDb', 'Cue level', channels, 0, FADER_RANGE),
          panKnob('cuePan', 'Cue pan', channels),
        ]
      : []),
    ...numbersTo(auxes).flatMap((k) => [
      selector(`aux${k}`, `Aux ${k} from`, channels, TAPS),
      gainKnob(`aux${k}Db`, `Aux ${k} level`, channels, 0, FADER_RANGE),
    ]),
  ];
}

export function monitorPorts(p: SplitParams): readonly Port[] {
  const line = { loadOhm: p.lineInputOhm, maxDbu: p.maxLineInputDbu };
  return [
    ...numbersTo(p.channels).map((n) =>
      analogueIn('line', { key: `tape-${n}`, name: `tape return ${n}`, connector: 'trs' }, line),
    ),
    insideLanes('out', 'monitor', 'monitor', p.channels, 'line', p.maxOutputDbu),
    insideLanes('out', 'monitor-fader', 'monitor after fader', p.channels, 'line', p.maxOutputDbu),
  ];
}

/** The group whose signal goes to the recorder track of this monitor path. */
const groupOf = (n: number, groups: number): number => ((n - 1) % groups) + 1;

function sourceRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const to = laneAt('monitor', n);
  const knobs = knobsAt(n, 'monitorInput');
  const source = SOURCES[Number(read('monitorInput', n)) - 1];
  if (source === 'tape') return [active(laneAt(`tape-${n}`), to, 0, { outputNoise: p.stageNoiseDbu, knobs })];
  if (source === 'group' && p.groups > 0)
    return [active(laneAt('group-fader', groupOf(n, p.groups)), to, 0, { knobs })];
  return [];
}

/** Where a send leaves its path, unless a mute takes it along. */
interface SendTap {
  readonly from: LaneKey;
  readonly knobs: readonly KnobRef[];
}

/** @param setting the switch that says where the send leaves. */
function sendTap(p: SplitParams, n: number, setting: string, read: ReadSetting): SendTap | undefined {
  const tap = Number(read(setting, n));
  const port = TAP_LANES[tap - 1];
  if (port === undefined) return undefined;
  const knobs = knobsAt(n, setting);
  const isBefore = port === 'equalised' || port === 'monitor';
  if (!p.muteCutsPreSends || !isBefore) return { from: laneAt(port, n), knobs };
  const mute =
    port === 'equalised'
      ? channelMute(p, n, read)
      : { isMuted: read('monitorMute', n) === true, knobs: knobsAt(n, 'monitorMute') };
  return mute.isMuted ? undefined : { from: laneAt(port, n), knobs: [...knobs, ...mute.knobs] };
}

function auxRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  return numbersTo(p.auxes).flatMap((k) => {
    const tap = sendTap(p, n, `aux${k}`, read);
    if (tap === undefined) return [];
    const knobs = [...tap.knobs, ...knobsAt(n, `aux${k}Db`)];
    return [crosspoint(tap.from, laneAt('aux', k), Number(read(`aux${k}Db`, n)), { knobs })];
  });
}

function cueRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const tap = p.stereoCue ? sendTap(p, n, 'cue', read) : undefined;
  if (tap === undefined) return [];
  return panRoutes({
    ...{ from: tap.from, to: CUE, levelDb: Number(read('cueDb', n)) },
    ...{ position: Number(read('cuePan', n)), law: SPLIT_PAN_LAW_DB },
    knobs: [...tap.knobs, ...knobsAt(n, 'cueDb', 'cuePan')],
  });
}

/** One monitor path, and the aux sends beside it. */
export function monitorRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const fader = active(laneAt('monitor', n), laneAt('monitor-fader', n), Number(read('monitorFaderDb', n)), {
    outputNoise: p.stageNoiseDbu,
    knobs: knobsAt(n, 'monitorFaderDb', 'monitorMute'),
  });
  const toMix = panRoutes({
    from: laneAt('monitor-fader', n),
    to: MIX,
    position: Number(read('monitorPan', n)),
    law: SPLIT_PAN_LAW_DB,
    knobs: knobsAt(n, 'monitorToMix', 'monitorPan'),
  });
  return [
    ...sourceRoutes(p, n, read),
    ...(read('monitorMute', n) === true ? [] : [fader]),
    ...(read('monitorToMix', n) === true ? toMix : []),
    ...auxRoutes(p, n, read),
    ...cueRoutes(p, n, read),
  ];
}
