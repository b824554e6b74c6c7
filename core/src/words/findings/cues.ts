import { formatDb, formatFrequency, formatMs } from '../../units/format';
import type { Detail, Speak } from './speak';
import { listed, namesOf, threadsNamed } from './speak';

const cueOf = (names: readonly string[]): string =>
  names[0] === undefined ? 'A cue' : `The cue ${names[0]}`;

const WITHOUT: Record<
  Detail<'performer-without-cue'>['why'],
  (who: string, lines: string) => Readonly<[string, string]>
> = {
  'not-listed': (who) => [
    `${who} plays in this scene and is not among the people of the cues`,
    `Add ${who} under Cues with the headphones they wear.`,
  ],
  'no-headphones': (who) => [
    `${who} has no headphones`,
    'Say under Cues which pair they wear, then put it on a cue.',
  ],
  'no-cue': (who) => [`The headphones of ${who} are on no cue of this scene`, 'Put them on a cue.'],
  'not-heard': (who, lines) => [
    `${who} does not hear ${lines}`,
    'Turn its send on in their cue; if it is on, No sound? on the Consoles page says where the way is closed.',
  ],
};

export const CUES: Speak<
  'cue-post-fader' | 'performer-without-cue' | 'open-headphones' | 'no-talkback' | 'cue-heard-twice'
> = {
  'cue-post-fader': ({ sends, canBePre }, naming, finding) => ({
    wrong: `${cueOf(namesOf(finding, naming, 'cue'))} takes ${threadsNamed(finding, naming)} after the fader (${sends === 1 ? 'one send' : `${String(sends)} sends`}).`,
    remedy: canBePre
      ? 'Take it before the fader, with the fader’s level added so that nothing changes in the headphones.'
      : 'Choose a bus whose sends leave before the fader.',
  }),
  'performer-without-cue': ({ why, performer }, naming, finding) => {
    const [wrong, remedy] = WITHOUT[why](performer, threadsNamed(finding, naming));
    return { wrong: `${wrong}.`, remedy };
  },
  'open-headphones': ({ isLying, clickDbSpl, distanceM, marginDb }, naming, finding) => {
    const [headphones = '', microphone = ''] = namesOf(finding, naming, 'device');
    return {
      wrong: `The click on ${headphones}, ${isLying ? 'which nobody wears' : 'which are open'}, is about ${clickDbSpl.toFixed(0)} dB SPL at ${microphone}, ${distanceM.toFixed(1)} m away: ${formatDb(marginDb)} under ${threadsNamed(finding, naming)}.`,
      remedy: isLying
        ? 'Turn the pair down at its box, or unplug it.'
        : 'Give the performer closed headphones, or turn the click down where the music rests.',
    };
  },
  'no-talkback': ({ some }, naming, finding) => ({
    wrong: some
      ? `Talkback reaches the cue ${namesOf(finding, naming, 'cue').join('')}, but not ${listed(namesOf(finding, naming, 'device'))}.`
      : `Talkback does not reach the cue ${namesOf(finding, naming, 'cue').join('')}.`,
    remedy: 'Assign talkback to its bus, or agree on a sign through the window.',
  }),
  'cue-heard-twice': ({ lateMs, levelDifferenceDb, firstNotchHz }, naming, finding) => ({
    wrong: `${listed(namesOf(finding, naming, 'device'))} bring ${threadsNamed(finding, naming)} twice, before the recorder and from its return ${formatMs(lateMs)} later, ${formatDb(levelDifferenceDb)} apart: first notch at ${formatFrequency(firstNotchHz)}.`,
    remedy: 'Keep the one before the recorder, or mute it while a take is heard from its return.',
  }),
};
