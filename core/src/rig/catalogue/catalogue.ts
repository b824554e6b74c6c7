import { digitalConsole } from './consoles/digitalConsole/digitalConsole';
import { passiveSumming } from './consoles/passiveSumming';
import { splitConsole } from './consoles/splitConsole/splitConsole';
import { summingMixer } from './consoles/summingMixer';
import { customUnit } from './customUnit';
import type { DeviceType } from './deviceType';
import { audioInterface } from './digital/audioInterface';
import { converter } from './digital/converter';
import { dawHost } from './digital/dawHost';
import { multitrackRecorder } from './digital/multitrackRecorder';
import { opticalPreamp } from './digital/opticalPreamp';
import { stagebox } from './digital/stagebox';
import { cueAmp } from './monitoring/cueAmp';
import { headphoneBox } from './monitoring/headphoneBox';
import { headphoneJunction } from './monitoring/headphoneJunction';
import { headphones } from './monitoring/headphones';
import { loudspeaker } from './monitoring/loudspeaker';
import { monitorController } from './monitoring/monitorController';
import { powerAmp } from './monitoring/powerAmp';
import { diBox } from './outboard/diBox';
import { dynamics } from './outboard/dynamics';
import { effectUnit } from './outboard/effectUnit';
import { equaliser } from './outboard/equaliser';
import { inlinePad } from './outboard/inlinePad';
import { lineTransformer } from './outboard/lineTransformer';
import { loopSwitcher } from './outboard/loopSwitcher';
import { micPreamp } from './outboard/micPreamp';
import { pedal } from './outboard/pedal';
import { reampBox } from './outboard/reampBox';
import { mult } from './panels/mult';
import { patchbay } from './panels/patchbay';
import { tieLines } from './panels/tieLines';
import { wallPanel } from './panels/wallPanel';
import { clockGenerator } from './sources/clockGenerator';
import { instrument } from './sources/instrument';
import { mediaPlayer } from './sources/mediaPlayer';
import { microphone } from './sources/microphone';
import { talkback } from './sources/talkback';
import { timecodeSource } from './sources/timecodeSource';

/** Every kind of gear a rig can hold. A literal table: what is not listed does not exist. */
export const CATALOGUE: readonly DeviceType[] = [
  microphone,
  instrument,
  diBox,
  reampBox,
  inlinePad,
  lineTransformer,
  pedal,
  loopSwitcher,
  wallPanel,
  tieLines,
  patchbay,
  mult,
  micPreamp,
  opticalPreamp,
  stagebox,
  dynamics,
  equaliser,
  effectUnit,
  converter,
  audioInterface,
  dawHost,
  multitrackRecorder,
  splitConsole,
  digitalConsole,
  summingMixer,
  passiveSumming,
  monitorController,
  powerAmp,
  loudspeaker,
  cueAmp,
  headphoneBox,
  headphoneJunction,
  headphones,
  talkback,
  mediaPlayer,
  clockGenerator,
  timecodeSource,
  customUnit,
];

const byType: ReadonlyMap<string, DeviceType> = new Map(CATALOGUE.map((entry) => [entry.type, entry]));

/** The catalogue entry of a type name, or undefined. */
export const deviceTypeNamed = (type: string): DeviceType | undefined => byType.get(type);
