import type { Choosable, Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import { FADER_RANGE, gainKnob, onOff, selector, TRIM_RANGE } from '../../knobs';
import { micInput, preampRoute } from '../../outboard/preampStage';
import { numbersTo } from '../../params';
import { analogueIn, analogueOut, insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { insertRoutes } from '../insertPoint';
import { panKnob, panRoutes } from '../pan';
import type { Muting } from '../vca';
import { followedVca, vcaKnobs } from '../vca';
import type { SplitParams } from './splitParams';

const INPUTS = ['mic', 'line', 'tape'] as const;
export const SPLIT_PAN_LAW_DB = -3;
export const MIX = [laneAt('mix', 1), laneAt('mix', 2)] as const;
export const CUE = [laneAt('cue', 1), laneAt('cue', 2)] as const;

/** The switches of the input channels. */
export function channelKnobs({ channels, groups, vcas }: SplitParams): readonly SettingSpec[] {
  return [
    selector('channelInput', 'Channel listens to', channels, INPUTS, 1),
    gainKnob('lineTrimDb', 'Line trim', channels, 0, TRIM_RANGE),
    onOff('insertIn', 'Insert in', channels, true),
    onOff('insertPostEq', 'Insert after the equaliser', channels),
    onOff('eqIn', 'Equaliser in', channels, true),
    gainKnob('eqGainDb', 'Equaliser net gain', channels, 0, TRIM_RANGE),
    gainKnob('faderDb', 'Channel fader', channels, 0, FADER_RANGE),
    onOff('mute', 'Channel mute', channels),
    onOff('directPre', 'Direct out before the fader', channels),
    panKnob('pan', 'Channel pan', channels),
    onOff('toMix', 'Channel to mix', channels),
    ...vcaKnobs(vcas, channels),
    ...numbersTo(groups).map((g) => onOff(`group${g}`, `Channel to group ${g}`, channels)),
  ];
}

export function channelPorts(p: SplitParams, read: ReadSetting): readonly Port[] {
  const line = { loadOhm: p.lineInputOhm, maxDbu: p.maxLineInputDbu };
  const output = { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu };
  return [
    ...numbersTo(p.channels).flatMap((n) => [
      micInput(p, n, read),
      analogueIn('line', { key: `line-${n}`, name: `line in ${n}`, connector: 'trs' }, line),
      analogueOut('line', { key: `send-${n}`, name: `insert send ${n}`, connector: 'trs' }, output),
      analogueIn('line', { key: `return-${n}`, name: `insert return ${n}`, connector: 'trs' }, line),
      analogueOut('line', { key: `direct-${n}`, name: `direct out ${n}`, connector: 'trs' }, output),
    ]),
    insideLanes('out', 'channel', 'channel', p.channels, 'line', p.maxOutputDbu),
    insideLanes('out', 'middle', 'channel, second stage', p.channels, 'line', p.maxOutputDbu),
    insideLanes('out', 'equalised', 'channel before fader', p.channels, 'line', p.maxOutputDbu),
    insideLanes('out', 'fader', 'channel after fader', p.channels, 'line', p.maxOutputDbu),
  ];
}

/** The amplifier or line input that the channel listens to. */
function inputRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const to = laneAt('channel', n);
  const source = INPUTS[Number(read('channelInput', n)) - 1];
  if (source === undefined) return [];
  if (source === 'mic') return [preampRoute(p, n, read, laneAt(`mic-${n}`), to)];
  const knobs = knobsAt(n, 'channelInput', 'lineTrimDb');
  return [
    active(laneAt(`${source}-${n}`), to, Number(read('lineTrimDb', n)), {
      outputNoise: p.stageNoiseDbu,
      knobs,
    }),
  ];
}

/** What the channels can listen to. */
export const channelChoosables = ({ channels }: SplitParams): readonly Choosable[] =>
  numbersTo(channels).flatMap((n) =>
    INPUTS.flatMap((source, i) =>
      // The tape input shares the line trim and has its connector in the monitor section.
      [
        {
          setting: 'channelInput',
          channel: n,
          value: i + 1,
          from: laneAt(`${source}-${n}`),
          to: laneAt('channel', n),
        },
      ],
    ),
  );

/** Insert and equaliser, in the order the switch says. */
function stageRoutes(n: number, read: ReadSetting): readonly Route[] {
  const lanes = [laneAt('channel', n), laneAt('middle', n), laneAt('equalised', n)] as const;
  const postEq = read('insertPostEq', n) === true;
  const [insertFrom, insertTo] = postEq ? [lanes[1], lanes[2]] : [lanes[0], lanes[1]];
  const [eqFrom, eqTo] = postEq ? [lanes[0], lanes[1]] : [lanes[1], lanes[2]];
  const knobs = knobsAt(n, 'insertIn', 'insertPostEq');
  return [
    ...insertRoutes({
      before: insertFrom,
      send: laneAt(`send-${n}`),
      back: laneAt(`return-${n}`),
      after: insertTo,
      switchedIn: read('insertIn', n) === true,
      knobs,
    }),
    active(eqFrom, eqTo, read('eqIn', n) === true ? Number(read('eqGainDb', n)) : 0, {
      knobs: knobsAt(n, 'eqIn', 'eqGainDb'),
    }),
  ];
}

function outputRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const fader = laneAt('fader', n);
  const direct = read('directPre', n) === true ? laneAt('equalised', n) : fader;
  const toGroups = numbersTo(p.groups)
    .filter((g) => read(`group${g}`, n) === true)
    .map((g) => crosspoint(fader, laneAt('group', g), 0, { knobs: knobsAt(n, `group${g}`) }));
  const mix =
    read('toMix', n) === true
      ? panRoutes({
          from: fader,
          to: MIX,
          position: Number(read('pan', n)),
          law: SPLIT_PAN_LAW_DB,
          knobs: knobsAt(n, 'toMix', 'pan'),
        })
      : [];
  return [active(direct, laneAt(`direct-${n}`), 0, { knobs: knobsAt(n, 'directPre') }), ...toGroups, ...mix];
}

/** Whether a channel is silent after its fader, by its own switch or by its VCA's. */
export function channelMute(p: SplitParams, n: number, read: ReadSetting): Muting {
  const { isMuted, knobs } = followedVca(p.vcas, n, read);
  return { isMuted: read('mute', n) === true || isMuted, knobs: [...knobsAt(n, 'mute'), ...knobs] };
}

/** One input channel from its connectors to the buses. */
export function channelRoutes(p: SplitParams, n: number, read: ReadSetting): readonly Route[] {
  const mute = channelMute(p, n, read);
  const levelDb = Number(read('faderDb', n)) + followedVca(p.vcas, n, read).gainDb;
  const fader = active(laneAt('equalised', n), laneAt('fader', n), levelDb, {
    outputNoise: p.stageNoiseDbu,
    knobs: [...knobsAt(n, 'faderDb'), ...mute.knobs],
  });
  return [
    ...inputRoutes(p, n, read),
    ...stageRoutes(n, read),
    ...(mute.isMuted ? [] : [fader]),
    ...outputRoutes(p, n, read),
  ];
}
