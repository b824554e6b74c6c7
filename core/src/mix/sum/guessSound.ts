import type { Track } from '../../session/daw/trackSchema';
import type { Sound } from '../../session/sumSchema';

/** Words that names of tracks use; the first that is found counts. Common practice, no source: a person says otherwise. */
const WORDS: readonly (readonly [Sound, RegExp])[] = [
  ['effects', /\b(plate|hall|spring|reverb|verb|delay|echo|return|fx return|doubl\w*)\b/i],
  ['hit', /\b(kick|kik|bd|snare|sn|drum)\b/i],
  ['bass', /\b(bass|bcl|sub|low)\b/i],
  ['percussion', /\b(perc\w*|shaker|tamb\w*|toms?|hat|overheads?|oh|foley|fy|steps|drums|claps?)\b/i],
  ['lead', /\b(narr\w*|vox|voice|vocal|lead|dialogue|dx|lamp|ferry)\b/i],
  ['long', /\b(pad|pads|strings|organ|harm\w*|drone|air|room|atmos\w*|wind|choir)\b/i],
];

/** What a track seems to sound like, by its name and what kind it is. */
export function guessSound({ name, kind }: Pick<Track, 'name' | 'kind'>): Sound {
  if (kind === 'aux') return 'effects';
  return WORDS.find(([, words]) => words.test(name))?.[0] ?? 'other';
}
