import type { CheckFault } from '../../playback/checkFaults';

export type FaultCode = CheckFault['code'];

/** What does not match, with names in place of what they stand for. */
export interface FaultFacts {
  readonly code: FaultCode;
  /** Channels it is about, or tracks, in their order. */
  readonly channels: readonly string[];
  readonly tracks: readonly string[];
  readonly recorder: string;
  /** So many tracks further on, where all are off by as much. */
  readonly by?: number;
  /** The track the first channel is recorded on, and the one it plays from, by their numbers. */
  readonly first?: { readonly recordedOn: number; readonly playsFrom: number };
  /** The recorder whose switch stands otherwise than is needed. */
  readonly device?: string;
}

interface Said {
  readonly wrong: string;
  readonly remedy: string;
}

const MOST_NAMED = 4;

/** "channel 1, channel 2 and 6 more". */
function listed(names: readonly string[]): string {
  if (names.length < 2) return names.join('');
  if (names.length <= MOST_NAMED) return `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
  return `${names.slice(0, MOST_NAMED - 1).join(', ')} and ${String(names.length - MOST_NAMED + 1)} more`;
}

const count = (by: number): string => (Math.abs(by) === 1 ? 'one track' : `${String(Math.abs(by))} tracks`);

const instance = ({ channels, first }: FaultFacts): string =>
  `${channels[0] ?? 'one'} is recorded on track ${String(first?.recordedOn ?? 0)} and plays from track ${String(first?.playsFrom ?? 0)}`;

const are = (names: readonly unknown[]): string => (names.length === 1 ? 'is' : 'are');
const verb = (names: readonly unknown[], stem: string): string => (names.length === 1 ? `${stem}s` : stem);

const SAY: Readonly<Record<FaultCode, (facts: FaultFacts) => Said>> = {
  'not-listening': ({ channels }) => ({
    wrong: `${listed(channels)} ${verb(channels, 'listen')} to nothing in the live scene.`,
    remedy: 'Choose its input first.',
  }),
  'not-recorded': ({ channels, recorder }) => ({
    wrong: `What ${listed(channels)} ${verb(channels, 'listen')} to is recorded on no track of ${recorder}.`,
    remedy: 'Set the record tap to the same input.',
  }),
  'after-fader': ({ channels }) => ({
    wrong: `${listed(channels)} ${are(channels)} recorded behind the fader: every move of the mix is on the track.`,
    remedy: 'Take the record tap at the input.',
  }),
  processed: ({ channels }) => ({
    wrong: `${listed(channels)} ${are(channels)} recorded behind processing that is switched in, and would pass it twice.`,
    remedy: 'Take the record tap at the input, or switch the processing out.',
  }),
  mixed: ({ channels }) => ({
    wrong: `The track that takes in ${listed(channels)} takes in others too.`,
    remedy: 'Give each input a track of its own.',
  }),
  shifted: (facts) => ({
    wrong: `${String(facts.channels.length)} channels play ${count(facts.by ?? 0)} off: ${instance(facts)}.`,
    remedy: `Move the playback inputs ${(facts.by ?? 0) > 0 ? 'back' : 'on'} by ${count(facts.by ?? 0)}.`,
  }),
  'other-track': (facts) => ({
    wrong:
      facts.channels.length === 1
        ? `${instance(facts)}.`
        : `${listed(facts.channels)} play from other tracks than they are recorded on: ${instance(facts)}.`,
    remedy: 'Let each channel play from the track it is recorded on.',
  }),
  monitored: ({ channels }) => ({
    wrong: `What comes back to ${listed(channels)} is the stage, over a track that monitors its input.`,
    remedy: 'Switch input monitoring off in the playback scene.',
  }),
  silent: ({ channels, recorder }) => ({
    wrong: `Nothing plays into ${listed(channels)} in playback.`,
    remedy: `Choose the output of ${recorder} that plays its track.`,
  }),
  'wrong-switch': ({ channels, recorder, device }) => ({
    wrong: `${device ?? recorder} plays something else than ${recorder}, so ${listed(channels)} ${verb(channels, 'stay')} silent.`,
    remedy: 'Turn its switch “Plays” in the playback scene.',
  }),
  'own-playback': ({ tracks, recorder }) => ({
    wrong: `${recorder} would record what it plays on ${listed(tracks)}.`,
    remedy: 'Take the record tap at the inputs of the stage, before the channels.',
  }),
  armed: ({ tracks, recorder }) => ({
    wrong: `${listed(tracks)} of ${recorder} ${are(tracks)} armed while the recorder plays, and would be overwritten.`,
    remedy: 'Take the arming away in the playback scene.',
  }),
};

/** What does not match, and what to do about it. */
export const faultWords = (facts: FaultFacts): Said => SAY[facts.code](facts);

/** The facts of a fault as its check knows them. */
export function factsOf(fault: CheckFault, recorder: string): FaultFacts {
  const channels = 'channels' in fault ? fault.channels : [];
  const [first] = channels;
  const [recordedOn, playsFrom] = [first?.recordedOn?.number, first?.playsFrom[0]?.number];
  return {
    ...{ code: fault.code, recorder, channels: channels.map(({ row }) => row.name) },
    tracks: 'tracks' in fault ? fault.tracks.map(({ name }) => name) : [],
    ...('by' in fault && { by: fault.by }),
    ...('device' in fault && { device: fault.device.name }),
    ...(recordedOn !== undefined && playsFrom !== undefined && { first: { recordedOn, playsFrom } }),
  };
}

/** Both in one line. */
export function faultSentence(fault: CheckFault, recorder: string): string {
  const { wrong, remedy } = faultWords(factsOf(fault, recorder));
  return `${wrong.charAt(0).toUpperCase()}${wrong.slice(1)} ${remedy}`;
}
