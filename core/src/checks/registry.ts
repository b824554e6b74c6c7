import type { Rule } from './rule';
import { armedInPlayback } from './rules/armedInPlayback';
import { clockMasters } from './rules/clockMasters';
import { cordsShort } from './rules/cordsShort';
import { cueDelay } from './rules/cueDelay';
import { cueHeardTwice } from './rules/cueHeardTwice';
import { cueLoad } from './rules/cueLoad';
import { cuePostFader } from './rules/cuePostFader';
import { deadEnd } from './rules/deadEnd';
import { faderFarFromUnity } from './rules/faderFarFromUnity';
import { feedbackLoop } from './rules/feedbackLoop';
import { gainNotCarried } from './rules/gainNotCarried';
import { goneFromRig } from './rules/goneFromRig';
import { hearingDose } from './rules/hearingDose';
import { insertPairMismatch } from './rules/insertPairMismatch';
import { insertUncompensated } from './rules/insertUncompensated';
import { lanesLostAtRate } from './rules/lanesLostAtRate';
import { levelClass } from './rules/levelClass';
import { lineUpMismatch } from './rules/lineUpMismatch';
import { loading } from './rules/loading';
import { loudspeakerLevelIntoLine } from './rules/loudspeakerLevelIntoLine';
import { lowIntoConverter } from './rules/lowIntoConverter';
import { monitorsOpenWhilePatching } from './rules/monitorsOpenWhilePatching';
import { monoSumLoss } from './rules/monoSumLoss';
import { multOverload } from './rules/multOverload';
import { noTalkback } from './rules/noTalkback';
import { normalBroken } from './rules/normalBroken';
import { openHeadphones } from './rules/openHeadphones';
import { orphanCord } from './rules/orphanCord';
import { overMaxInput } from './rules/overMaxInput';
import { pairNotOnOwnNumber } from './rules/pairNotOnOwnNumber';
import { panMismatch } from './rules/panMismatch';
import { parallelComb } from './rules/parallelComb';
import { performerWithoutCue } from './rules/performerWithoutCue';
import { phantomIntoRibbon } from './rules/phantomIntoRibbon';
import { phantomMissing } from './rules/phantomMissing';
import { phantomOnJackBay } from './rules/phantomOnJackBay';
import { playbackLeftOn } from './rules/playbackLeftOn';
import { polarity } from './rules/polarity';
import { rateMismatch } from './rules/rateMismatch';
import { recordTapMismatch } from './rules/recordTapMismatch';
import { sendWithoutReturn } from './rules/sendWithoutReturn';
import { stereoSplit } from './rules/stereoSplit';
import { summingHeadroom } from './rules/summingHeadroom';
import { threadIncomplete } from './rules/threadIncomplete';
import { timecodeMissing } from './rules/timecodeMissing';
import { twoSourcesOneInput } from './rules/twoSourcesOneInput';
import { unbalancedLeg } from './rules/unbalancedLeg';
import { unitUsedTwice } from './rules/unitUsedTwice';
import { unitWantedTwice } from './rules/unitWantedTwice';
import { virtualNotPhysical } from './rules/virtualNotPhysical';

/** Every rule: safety, topology, level, time and clock. Ids are never reused. */
export const RULES: readonly Rule[] = [
  phantomOnJackBay,
  phantomIntoRibbon,
  phantomMissing,
  loudspeakerLevelIntoLine,
  monitorsOpenWhilePatching,
  hearingDose,
  goneFromRig,
  threadIncomplete,
  feedbackLoop,
  twoSourcesOneInput,
  unitUsedTwice,
  normalBroken,
  sendWithoutReturn,
  insertPairMismatch,
  stereoSplit,
  multOverload,
  cueLoad,
  deadEnd,
  orphanCord,
  cordsShort,
  virtualNotPhysical,
  overMaxInput,
  lowIntoConverter,
  levelClass,
  lineUpMismatch,
  loading,
  unbalancedLeg,
  summingHeadroom,
  polarity,
  clockMasters,
  rateMismatch,
  lanesLostAtRate,
  insertUncompensated,
  parallelComb,
  cueDelay,
  cuePostFader,
  performerWithoutCue,
  openHeadphones,
  noTalkback,
  cueHeardTwice,
  timecodeMissing,
  playbackLeftOn,
  recordTapMismatch,
  armedInPlayback,
  gainNotCarried,
  unitWantedTwice,
  pairNotOnOwnNumber,
  faderFarFromUnity,
  monoSumLoss,
  panMismatch,
];
