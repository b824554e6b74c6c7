import { USUAL_MICROPHONES } from '../../rig/catalogue/usualMicrophones';
import type { GearSize, GearSizes } from './gearSizes';

/** What is typed for a device: the words it goes by, and what they make of the catalogue's typical one. */
export interface GearKind {
  readonly type: string;
  /** What one is called. */
  readonly name: string;
  /** Other words for it, in the singular. */
  readonly words: readonly string[];
  readonly params?: Readonly<Record<string, unknown>>;
  /** The sizes it can be given, and the parameters they are. */
  readonly sizes?: readonly GearSize[];
  readonly sized?: (sizes: GearSizes) => Readonly<Record<string, unknown>>;
}

/** Params that hold a value, where it was said. */
const said = (params: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> =>
  Object.fromEntries(Object.entries(params).filter(([, value]) => value !== undefined));

const channels =
  (key = 'channels') =>
  (sizes: GearSizes): Readonly<Record<string, unknown>> =>
    said({ [key]: sizes.channels ?? sizes.ins });

const counted = (key?: string): Pick<GearKind, 'sizes' | 'sized'> => ({
  sizes: ['channels', 'ins'],
  sized: channels(key),
});

/** A bay of 48 points has 24 columns of two. Common practice, no source. */
const bay = ({ points, columns, normalling, connector }: GearSizes): Readonly<Record<string, unknown>> =>
  said({ columns: columns ?? (points === undefined ? undefined : points / 2), normalling, connector });

/** Streams for everything that comes in and goes out. */
function streams({ mics = 0, ins, outs, connector }: GearSizes): Readonly<Record<string, unknown>> {
  const isSaid = mics > 0 || ins !== undefined || outs !== undefined;
  if (!isSaid) return said({ connector });
  const lines = { lineInputs: ins ?? 2, lineOutputs: outs ?? Math.max(2, ins ?? 0) };
  const hostStreams = Math.max(mics + lines.lineInputs, lines.lineOutputs);
  return said({ micInputs: mics, ...lines, opticalLinks: 0, hostStreams, connector });
}

/** Kinds of gear by the words engineers use. */
export const GEAR_KINDS: readonly GearKind[] = [
  {
    ...{ type: 'microphone', name: 'Condenser', params: USUAL_MICROPHONES.condenser },
    words: ['condenser', 'condenser microphone', 'condenser mic', 'large condenser', 'small condenser'],
  },
  {
    ...{ type: 'microphone', name: 'Dynamic', params: USUAL_MICROPHONES.dynamic },
    words: ['dynamic', 'dynamic microphone', 'dynamic mic'],
  },
  {
    ...{ type: 'microphone', name: 'Ribbon', params: USUAL_MICROPHONES.ribbon },
    words: ['ribbon', 'ribbon microphone', 'ribbon mic'],
  },
  {
    type: 'instrument',
    name: 'Instrument',
    words: ['electric instrument', 'guitar', 'bass guitar', 'keyboard', 'synthesiser'],
  },
  { type: 'diBox', name: 'DI box', words: ['di', 'direct box', 'direct injection box'], ...counted() },
  { type: 'reampBox', name: 'Re-amp box', words: ['reamp box', 'reamp', 're-amp'], ...counted() },
  { type: 'inlinePad', name: 'Inline pad', words: ['pad', 'attenuator'], ...counted() },
  { type: 'lineTransformer', name: 'Line transformer', words: ['transformer'], ...counted() },
  { type: 'pedal', name: 'Pedal', words: ['stompbox', 'guitar pedal', 'instrument pedal'] },
  { type: 'loopSwitcher', name: 'Loop switcher', words: ['pedal switcher'], ...counted('loops') },
  {
    ...{ type: 'wallPanel', name: 'Wall panel', words: ['wall box', 'floor box', 'stage panel'] },
    sizes: ['lines', 'channels', 'ins'],
    sized: ({ lines, channels: count, ins }) => said({ lines: lines ?? count ?? ins }),
  },
  {
    ...{ type: 'tieLines', name: 'Tie line panel', words: ['tie panel', 'tie line'] },
    sizes: ['lines', 'outs', 'ins', 'connector'],
    sized: ({ lines, outs, ins, connector }) => said({ outgoing: lines ?? outs, incoming: ins, connector }),
  },
  {
    ...{ type: 'patchbay', name: 'Patchbay', words: ['bay', 'patch bay', 'jack bay', 'jackfield'] },
    sizes: ['points', 'columns', 'normalling', 'connector'],
    sized: bay,
  },
  { type: 'mult', name: 'Mult', words: ['mult box', 'splitter'] },
  {
    type: 'micPreamp',
    name: 'Mic preamp',
    words: ['preamp', 'pre-amp', 'mic pre', 'microphone preamp'],
    ...counted(),
  },
  {
    ...{
      type: 'opticalPreamp',
      name: 'Optical preamp',
      words: ['mic preamp optical out', 'optical mic preamp'],
    },
    ...counted(),
  },
  {
    ...{ type: 'stagebox', name: 'Stagebox', words: ['stage box', 'digital stagebox'] },
    sizes: ['ins', 'outs', 'channels'],
    sized: ({ ins, outs, channels: count }) => said({ inputs: ins ?? count, outputs: outs }),
  },
  {
    ...{ type: 'multitrackRecorder', name: 'Recorder', ...counted('tracks') },
    words: ['multitrack recorder', 'multitrack', 'recorder card', 'track recorder'],
  },
  {
    ...{ type: 'dynamics', name: 'Compressor', ...counted() },
    words: ['limiter', 'compressor or limiter', 'gate', 'expander', 'de-esser', 'dynamics'],
  },
  { type: 'equaliser', name: 'Equaliser', words: ['eq', 'equalizer', 'parametric equaliser'], ...counted() },
  {
    ...{ type: 'effectUnit', name: 'Reverb', sizes: ['channels'] },
    words: ['reverb or delay', 'delay', 'effect', 'effects unit', 'plate', 'spring', 'echo'],
    sized: ({ channels: count }) =>
      said({ inputs: count === 1 ? 'mono' : count === 2 ? 'stereo' : undefined }),
  },
  {
    ...{ type: 'converter', name: 'Converter', words: ['ad/da converter', 'ad-da converter'] },
    sizes: ['channels', 'ins', 'outs'],
    sized: ({ channels: count, ins, outs }) => said({ adcs: ins ?? count, dacs: outs ?? count ?? ins }),
  },
  {
    ...{
      type: 'audioInterface',
      name: 'Interface',
      words: ['audio interface', 'audio interface matrix'],
    },
    sizes: ['mics', 'ins', 'outs', 'connector'],
    sized: streams,
  },
  {
    ...{ type: 'dawHost', name: 'DAW', words: ['host', 'computer', 'daw host', 'workstation'] },
    sizes: ['channels', 'ins', 'outs'],
    sized: ({ channels: count, ins, outs }) => said({ inputs: ins ?? count, outputs: outs ?? count ?? ins }),
  },
  {
    ...{ type: 'splitConsole', name: 'Console', ...counted() },
    words: ['analogue console', 'split console', 'analogue split console', 'analogue desk', 'mixing console'],
  },
  {
    ...{ type: 'digitalConsole', name: 'Digital console', words: ['digital desk', 'digital mixer'] },
    ...counted(),
  },
  {
    type: 'summingMixer',
    name: 'Summing mixer',
    words: ['summing', 'summing box', 'summing mixer active', 'active summing mixer'],
    ...counted('inputs'),
  },
  {
    ...{
      type: 'passiveSumming',
      name: 'Passive summing mixer',
      words: ['passive summing', 'summing mixer passive'],
    },
    ...counted('inputsPerBus'),
  },
  { type: 'monitorController', name: 'Monitor controller', words: ['monitor control'] },
  { type: 'powerAmp', name: 'Power amplifier', words: ['power amp', 'amplifier'], ...counted() },
  {
    ...{ type: 'loudspeaker', name: 'Loudspeaker' },
    words: ['speaker', 'monitor', 'studio monitor', 'active monitor', 'wedge'],
  },
  {
    ...{ type: 'cueAmp', name: 'Cue amplifier', words: ['cue amp', 'headphone amp', 'headphone amplifier'] },
    ...counted('outputs'),
  },
  { type: 'headphoneBox', name: 'Headphone box', words: ['cue box', 'headphone mixer'], ...counted() },
  {
    type: 'headphoneJunction',
    name: 'Headphone junction',
    words: ['junction box', 'headphone splitter'],
    ...counted(),
  },
  { type: 'headphones', name: 'Headphones', words: ['headphone', 'cans', 'pair headphones'] },
  { type: 'talkback', name: 'Talkback', words: ['talkback microphone', 'talkback mic'] },
  { type: 'mediaPlayer', name: 'Media player', words: ['player', 'tape machine', 'reference player'] },
  { type: 'clockGenerator', name: 'Clock generator', words: ['clock', 'word clock', 'house clock'] },
  { type: 'timecodeSource', name: 'Timecode source', words: ['timecode', 'timecode generator'] },
];
