/** What an update brought, for somebody who knows the program. */
export interface News {
  /** Stays; what was seen is remembered by it. */
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** The newest first. */
export const NEWS: readonly News[] = [
  {
    id: 'console-mix',
    title: 'Mixing on a console',
    text: 'Stems on channels, groups with a unit in each, VCAs, a parallel bus set up in a step, channels recorded by their direct outs, and what is heard but not printed: on the summing page of a sum that stands on a console. g m, then g 3.',
  },
  {
    id: 'summing',
    title: 'Summing',
    text: 'Which stem stands where on a summing mixer or a console, and why; who takes how much of the sum, what each is driven to, and how late it comes back. g m, then g 3.',
  },
  {
    id: 'inserts',
    title: 'Inserts',
    text: 'Outboard of the mix, one line a job: converter channels are given out, trims put units at their level, and of a unit wanted twice it is told who is committed first. g m, then g 2.',
  },
  {
    id: 'takes',
    title: 'Takes',
    text: 'The log of a day of recording: a counter that may follow the host, notes by one key while it runs, what is played again with both of its edges, what is used; on paper, as a table and as labels. g t, then g 5.',
  },
  {
    id: 'playback-check',
    title: 'Playback check',
    text: 'Channels are recorded as they come in and played back into the very inputs they came from: set up in a step, checked, flipped and flipped back, with gains held for the stage and copies for trainees. g t, then g 4.',
  },
  {
    id: 'cues',
    title: 'Cues',
    text: 'What everybody hears, as one sheet: sources against cues, set up in a step, and worked out at every ear: level, own sound, delay, talkback, dose, and what a click spills. g t, then g 3.',
  },
  {
    id: 'consoles',
    title: 'Consoles as sheets',
    text: 'Everything with channels stands under Track and Mix as a sheet: typed, filled, counted on, copied to many, made ready from nothing, and asked why nothing is heard. g t, then g 2.',
  },
  {
    id: 'sessions',
    title: 'Sessions and templates',
    text: 'A studio holds many sessions now: new, copied, from a template, put away, or taken over from another rig. The session name at the top leads there, and so do g e.',
  },
  {
    id: 'starter-rooms',
    title: 'Starter rooms',
    text: 'A rig can be begun as one of six rooms that are asked in a few numbers; each opens with a session that runs.',
  },
  {
    id: 'interface-mic-inputs',
    title: 'Mic inputs on interfaces',
    text: 'An audio interface may have mic inputs on its front, with gain, 48 V, pad and polarity of their own.',
  },
  {
    id: 'sheets',
    title: 'Every table is a sheet',
    text: 'Type, Enter, Shift and the arrows, Ctrl D, copy and paste: the same keys everywhere; one undo takes a whole fill back.',
  },
];

const SEEN = 'ft-news-seen';

/** News since somebody last said that they had read it. */
export function unseenNews(storage: Pick<Storage, 'getItem'>): readonly News[] {
  const seen = storage.getItem(SEEN);
  const at = NEWS.findIndex(({ id }) => id === seen);
  return at < 0 ? NEWS : NEWS.slice(0, at);
}

/** Everything there is has been read; or need not be, since all of it is new to a new user. */
export function markNewsSeen(storage: Pick<Storage, 'setItem'>): void {
  const [newest] = NEWS;
  if (newest !== undefined) storage.setItem(SEEN, newest.id);
}
