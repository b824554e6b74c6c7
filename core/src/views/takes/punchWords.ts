import { clockText } from '../../takes/counter';
import type { Punch } from '../../takes/logRows';
import { recordedEdges } from '../../takes/newRows';

const LAYER: Readonly<Record<Punch['layer'], string>> = {
  'last take':
    'The new layer begins as a copy of the last take: what is not played again stays under it, and joins are heard at once.',
  nothing:
    'The new layer begins from nothing: only what is played now is on it, and joins are made afterwards.',
};

const ENDS: Readonly<Record<Punch['ends'], string>> = {
  'at out': 'It goes out by itself.',
  'by hand': 'It goes out by hand, when the performer has come to rest.',
  'again and again': 'It runs again and again; each time replaces the stretch that was played.',
};

/** What whoever plays a punch hears while it runs. */
export const hearsSentence = ({ performer }: Pick<Punch, 'performer'>): string =>
  `${performer || 'The performer'} hears the old take up to the punch, their own input from there, and the old take again behind it.`;

/** How a punch runs, in sentences: for whoever records it, and for whoever plays it. */
export function punchSentences(punch: Punch): readonly string[] {
  const { performer, tracks, inS, outS, preRollS, postRollS, layer, ends } = punch;
  const { fromS, toS } = recordedEdges(punch);
  return [
    `Starts at ${clockText(inS - preRollS < 0 ? 0 : inS - preRollS)}, in at ${clockText(inS)}, out at ${clockText(outS)}, ${String(postRollS)} s on.`,
    `Armed: ${tracks.join(', ') || 'no track'}; every line of ${performer || 'the performer'}, spot and room. Arming ends after the run.`,
    hearsSentence(punch),
    `Recording runs from ${clockText(fromS)} to ${clockText(toS)}, so that both edges can be opened later.`,
    ENDS[ends],
    LAYER[layer],
  ];
}
