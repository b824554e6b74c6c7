import { formatGain } from '../../units/format';
import { faultWords } from '../playback/faultSentence';
import type { Detail, Speak } from './speak';
import { namesOf, sentence } from './speak';

const capital = (text: string): string => sentence(text).slice(0, -1);

const stands = ({ setting }: Detail<'gain-not-carried'>, value: number): string =>
  setting === 'pad' ? (value === 0 ? 'out' : 'in') : `${formatGain(value)} dB`;

export const PLAYBACK: Speak<
  'record-tap-mismatch' | 'armed-in-playback' | 'playback-left-on' | 'gain-not-carried'
> = {
  'record-tap-mismatch': ({ fault, by, first, tracks }, naming, finding) => {
    const [recorder = '', device] = namesOf(finding, naming, 'device');
    const { wrong, remedy } = faultWords({
      ...{ code: fault, tracks, recorder, channels: namesOf(finding, naming, 'lane') },
      ...(by !== undefined && { by }),
      ...(first !== undefined && { first }),
      ...(device !== undefined && { device }),
    });
    return { wrong: capital(wrong), remedy };
  },
  'armed-in-playback': ({ tracks }, naming, finding) => {
    const [recorder = ''] = namesOf(finding, naming, 'device');
    const { wrong, remedy } = faultWords({ code: 'armed', channels: [], tracks, recorder });
    return { wrong: capital(wrong), remedy };
  },
  'playback-left-on': ({ where, channels, isMarked }, naming, finding) => {
    const [console = '', recorder = ''] = namesOf(finding, naming, 'device');
    const many = `${String(channels)} ${channels === 1 ? 'channel' : 'channels'}`;
    return {
      wrong: `${many} of ${console} ${channels === 1 ? 'listens' : 'listen'} to ${recorder} ${where === 'scene' ? 'in this scene' : 'in the rooms as they stand'}${isMarked ? ', and the session goes live' : ''}.`,
      remedy:
        where === 'scene'
          ? 'Put the channels back to the inputs of the stage.'
          : 'Go through the work list of this scene: it begins with the way back.',
    };
  },
  'gain-not-carried': (figures, naming, finding) => {
    const [device = ''] = namesOf(finding, naming, 'device');
    const [channel = ''] = namesOf(finding, naming, 'lane');
    return {
      wrong: `${capital(figures.setting)} at ${device} for ${channel} was changed in playback from ${stands(figures, figures.from)} to ${stands(figures, figures.to)}, which does nothing to what is recorded.`,
      remedy: 'Apply it on stage, or undo it in playback.',
    };
  },
};
