import type { LeftOut } from './crossing';

const many = (count: number, one: string): string =>
  count === 1 ? `one ${one}` : `${String(count)} ${one}s`;

const WORDING: Readonly<Record<LeftOut['what'], (left: LeftOut) => string>> = {
  line: ({ of, missing }) => `The line ${of} is left out: there is no ${missing} here.`,
  insert: ({ of, missing }) => `${of} loses its insert: there is no ${missing} here.`,
  pin: ({ of, missing }) => `${of} loses a pin: there is no ${missing} here.`,
  cords: ({ of, count, missing }) => `${of} loses ${many(count, 'cord')}: there is no ${missing} here.`,
  knobs: ({ of, count, missing }) => `${of} loses ${many(count, 'setting')} of ${missing}.`,
  host: ({ missing }) => `The host ${missing} is not here. Say under Mix which host the tracks run on.`,
  automation: ({ missing }) => `The automated console ${missing} is not here.`,
  'console-view': ({ of, missing }) => `The view “${of}” of ${missing} is left out.`,
  readings: ({ missing }) => `What a meter showed at ${missing} is left out.`,
  waivers: ({ count }) =>
    count === 1
      ? 'One waived finding is left out, since it names places of the other rig.'
      : `${String(count)} waived findings are left out, since they name places of the other rig.`,
  cue: ({ of, missing }) => `The cue ${of} is left out: there is no ${missing} here.`,
  'playback-check': ({ of, missing }) => `The playback check ${of} is left out: there is no ${missing} here.`,
  job: ({ of, missing }) => `The job of ${of} is left out: there is no ${missing} here.`,
  sum: ({ of, missing }) => `The sum ${of} is left out: there is no ${missing} here.`,
  'cue-headphones': ({ of, missing }) => `The cue ${of} loses ${missing}.`,
  headphones: ({ of, missing }) => `${of} loses the headphones ${missing}.`,
};

/** What is left out, as a sentence. */
export const leftOutSentence = (left: LeftOut): string => WORDING[left.what](left);
