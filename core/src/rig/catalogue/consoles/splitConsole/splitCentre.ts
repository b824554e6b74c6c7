import type { LaneKey, Port, Route } from '../../../deviceModel';
import type { ReadSetting, SettingSpec } from '../../../settings';
import type { InsertJacks } from '../../../sheets/channelSheet';
import { FADER_RANGE, gainKnob, onOff } from '../../knobs';
import { controlRoom, controlRoomKnobs, stereo } from '../../monitoring/controlRoom';
import { numbersTo } from '../../params';
import { analogueIn, analogueOut, codedPort, insideLanes } from '../../portKinds';
import { active, crosspoint, knobsAt, laneAt } from '../../routeKinds';
import { insertRoutes } from '../insertPoint';
import { panRoutes } from '../pan';
import { MIX, SPLIT_PAN_LAW_DB } from './splitChannel';
import type { SplitParams } from './splitParams';

const SIDES = ['left', 'right'] as const;

export const sourceNames = ({ externals }: SplitParams): readonly string[] => [
  'mix',
  ...numbersTo(externals).map((n) => `external ${n}`),
];

/** Masters, and what the control room listens to. */
export function centreKnobs(p: SplitParams): readonly SettingSpec[] {
  return [
    ...(p.groups > 0
      ? [
          gainKnob('groupFaderDb', 'Group fader', p.groups, 0, FADER_RANGE),
          onOff('groupToMix', 'Group to mix', p.groups),
          ...(p.groupInserts ? [onOff('groupInsertIn', 'Group insert in', p.groups, true)] : []),
        ]
      : []),
    ...(p.auxes > 0
      ? [
          gainKnob('auxMasterDb', 'Aux master', p.auxes, 0, FADER_RANGE),
          onOff('talkToAux', 'Talkback to aux', p.auxes),
        ]
      : []),
    ...(p.auxes >= 2 ? [onOff('mixToAuxes', 'Mix to auxes 1 and 2', 1)] : []),
    ...(p.stereoCue
      ? [
          gainKnob('cueMasterDb', 'Cue master', 1, 0, FADER_RANGE),
          onOff('cueMute', 'Cue mute', 1),
          onOff('talkToCue', 'Talkback to cue', 1),
        ]
      : []),
    gainKnob('mixFaderDb', 'Mix fader', 1, 0, FADER_RANGE),
    ...controlRoomKnobs(sourceNames(p), p.speakerSets),
  ];
}

const lineOut = (p: SplitParams, key: string, name: string): Port =>
  analogueOut('line', { key, name }, { sourceOhm: p.outputOhm, maxDbu: p.maxOutputDbu });

function groupInsertPorts(p: SplitParams): readonly Port[] {
  const line = { loadOhm: p.lineInputOhm, maxDbu: p.maxLineInputDbu };
  return p.groupInserts && p.groups > 0
    ? [
        insideLanes('out', 'group-inserted', 'group after insert', p.groups, 'line', p.maxOutputDbu),
        ...numbersTo(p.groups).flatMap((g) => [
          lineOut(p, `group-send-${g}`, `group insert send ${g}`),
          analogueIn('line', { key: `group-return-${g}`, name: `group insert return ${g}` }, line),
        ]),
      ]
    : [];
}

function busPorts(p: SplitParams): readonly Port[] {
  const out = (key: string, name: string): Port => lineOut(p, key, name);
  return [
    ...(p.groups > 0
      ? [
          insideLanes('out', 'group', 'group', p.groups, 'line', p.maxOutputDbu),
          insideLanes('out', 'group-fader', 'group after fader', p.groups, 'line', p.maxOutputDbu),
        ]
      : []),
    ...groupInsertPorts(p),
    ...groupOutputs(p).map(({ jack, group }) =>
      out(
        `group-out-${jack}`,
        jack === group ? `group out ${group}` : `group out ${jack} (group ${group} again)`,
      ),
    ),
    ...(p.auxes > 0 ? [insideLanes('out', 'aux', 'aux', p.auxes, 'line', p.maxOutputDbu)] : []),
    ...numbersTo(p.auxes).map((k) => out(`aux-out-${k}`, `aux out ${k}`)),
    ...(p.stereoCue
      ? [
          insideLanes('out', 'cue', 'cue', 2, 'line', p.maxOutputDbu),
          ...SIDES.map((side) => out(`cue-out-${side}`, `cue out ${side}`)),
        ]
      : []),
  ];
}

export function centrePorts(p: SplitParams): readonly Port[] {
  const line = { loadOhm: p.lineInputOhm, maxDbu: p.maxLineInputDbu };
  const out = (key: string, name: string): Port => lineOut(p, key, name);
  return [
    ...busPorts(p),
    insideLanes('out', 'mix', 'mix bus', 2, 'line', p.maxOutputDbu),
    insideLanes('out', 'mix-inserted', 'mix after insert', 2, 'line', p.maxOutputDbu),
    insideLanes('out', 'mix-master', 'mix after fader', 2, 'line', p.maxOutputDbu),
    ...SIDES.flatMap((side) => [
      out(`mix-send-${side}`, `mix insert send ${side}`),
      analogueIn('line', { key: `mix-return-${side}`, name: `mix insert return ${side}` }, line),
      out(`mix-out-${side}`, `mix out ${side}`),
    ]),
    analogueIn('line', { key: 'talkback', name: 'talkback in' }, line),
    ...numbersTo(p.externals).flatMap((n) =>
      SIDES.map((side) =>
        analogueIn('line', { key: `external-${n}-${side}`, name: `external ${n} ${side}` }, line),
      ),
    ),
    insideLanes('out', 'control-room', 'control room', 2, 'line', p.maxOutputDbu),
    ...numbersTo(p.speakerSets).flatMap((s) =>
      SIDES.map((side) => out(`speakers-${s}-${side}`, `speakers ${s} ${side}`)),
    ),
    codedPort('in', { key: 'timecode-in', name: 'timecode in', connector: 'xlr' }, 'timecode'),
  ];
}

/** Which group each output jack carries. */
const groupOutputs = ({ groups, groupOutputs: jacks = groups }: SplitParams) =>
  groups === 0 ? [] : numbersTo(jacks).map((jack) => ({ jack, group: ((jack - 1) % groups) + 1 }));

/** Where the insert of a group leaves and comes back. */
export const groupInsert = (p: SplitParams, g: number): InsertJacks | undefined =>
  p.groupInserts ? { send: laneAt(`group-send-${g}`), back: laneAt(`group-return-${g}`) } : undefined;

/** A group to before its fader: over its insert, where it has one. */
function groupInsertRoutes(p: SplitParams, g: number, read: ReadSetting): readonly Route[] {
  const jacks = groupInsert(p, g);
  if (jacks === undefined) return [];
  return insertRoutes({
    ...{ before: laneAt('group', g), after: laneAt('group-inserted', g), ...jacks },
    ...{ switchedIn: read('groupInsertIn', g) === true, knobs: knobsAt(g, 'groupInsertIn') },
  });
}

/** The jacks that carry a group. */
export const groupJacks = (p: SplitParams, g: number): readonly LaneKey[] =>
  groupOutputs(p)
    .filter(({ group }) => group === g)
    .map(({ jack }) => laneAt(`group-out-${jack}`));

function groupRoutes(p: SplitParams, g: number, read: ReadSetting): readonly Route[] {
  const after = laneAt('group-fader', g);
  const toOut = [
    ...groupInsertRoutes(p, g, read),
    active(laneAt(p.groupInserts ? 'group-inserted' : 'group', g), after, Number(read('groupFaderDb', g)), {
      outputNoise: p.stageNoiseDbu,
      knobs: knobsAt(g, 'groupFaderDb'),
    }),
    ...groupJacks(p, g).map((jack) => active(after, jack, 0)),
  ];
  if (read('groupToMix', g) !== true) return toOut;
  // Odd groups stand left, even ones right.
  const position = g % 2 === 1 ? -100 : 100;
  const knobs = knobsAt(g, 'groupToMix');
  return [...toOut, ...panRoutes({ from: after, to: MIX, position, law: SPLIT_PAN_LAW_DB, knobs })];
}

function auxRoutes(p: SplitParams, k: number, read: ReadSetting): readonly Route[] {
  const master = active(laneAt('aux', k), laneAt(`aux-out-${k}`), Number(read('auxMasterDb', k)), {
    outputNoise: p.stageNoiseDbu,
    knobs: knobsAt(k, 'auxMasterDb'),
  });
  const talk = crosspoint(laneAt('talkback'), laneAt('aux', k), 0, { knobs: knobsAt(k, 'talkToAux') });
  return read('talkToAux', k) === true ? [master, talk] : [master];
}

/** What the control room's mix adds to the first two auxes, so that players hear it as it is. */
function mixToAuxes(p: SplitParams, read: ReadSetting): readonly Route[] {
  if (p.auxes < 2 || read('mixToAuxes', 1) !== true) return [];
  return [1, 2].map((side) =>
    crosspoint(laneAt('mix-master', side), laneAt('aux', side), 0, { knobs: knobsAt(1, 'mixToAuxes') }),
  );
}

/** The stereo cue's master, and talkback into it. */
function cueRoutes(p: SplitParams, read: ReadSetting): readonly Route[] {
  if (!p.stereoCue) return [];
  const masters = SIDES.map((side, i) =>
    active(laneAt('cue', i + 1), laneAt(`cue-out-${side}`), Number(read('cueMasterDb', 1)), {
      outputNoise: p.stageNoiseDbu,
      knobs: knobsAt(1, 'cueMasterDb', 'cueMute'),
    }),
  );
  const talk = [1, 2].map((side) =>
    crosspoint(laneAt('talkback'), laneAt('cue', side), 0, { knobs: knobsAt(1, 'talkToCue') }),
  );
  return [...(read('cueMute', 1) === true ? [] : masters), ...(read('talkToCue', 1) === true ? talk : [])];
}

function mixRoutes(p: SplitParams, i: number, read: ReadSetting): readonly Route[] {
  const lane = i + 1;
  const side = SIDES[i] ?? 'left';
  return [
    ...insertRoutes({
      before: laneAt('mix', lane),
      send: laneAt(`mix-send-${side}`),
      back: laneAt(`mix-return-${side}`),
      after: laneAt('mix-inserted', lane),
      switchedIn: true,
    }),
    active(laneAt('mix-inserted', lane), laneAt('mix-master', lane), Number(read('mixFaderDb', 1)), {
      outputNoise: p.stageNoiseDbu,
      knobs: knobsAt(1, 'mixFaderDb'),
    }),
    active(laneAt('mix-master', lane), laneAt(`mix-out-${side}`), 0),
  ];
}

/** Masters and the control room. */
export function centreRoutes(p: SplitParams, read: ReadSetting): readonly Route[] {
  const sides = (port: string) => stereo(laneAt(`${port}-left`), laneAt(`${port}-right`));
  return [
    ...numbersTo(p.groups).flatMap((g) => groupRoutes(p, g, read)),
    ...numbersTo(p.auxes).flatMap((k) => auxRoutes(p, k, read)),
    ...mixToAuxes(p, read),
    ...cueRoutes(p, read),
    ...SIDES.flatMap((_, i) => mixRoutes(p, i, read)),
    ...controlRoom({
      sources: [
        stereo(laneAt('mix-master', 1), laneAt('mix-master', 2)),
        ...numbersTo(p.externals).map((n) => sides(`external-${n}`)),
      ],
      room: stereo(laneAt('control-room', 1), laneAt('control-room', 2)),
      sets: numbersTo(p.speakerSets).map((s) => sides(`speakers-${s}`)),
      outputNoiseDbu: p.stageNoiseDbu,
      read,
    }),
  ];
}
