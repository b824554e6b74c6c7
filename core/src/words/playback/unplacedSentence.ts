/** Why a channel got no track. */
export interface NoTrack {
  readonly row: { readonly name: string };
  readonly why: 'not-listening' | 'plays-already' | 'no-tap' | 'no-way-back' | 'moves-with-others';
}

/** Why a channel cannot be recorded and played back, and what to do, as a sentence. */
export function unplacedSentence({ row, why }: NoTrack, console: string, recorder: string): string {
  const channel = `${console} ${row.name}`;
  switch (why) {
    case 'not-listening':
      return `${channel} listens to nothing. Choose its input first.`;
    case 'plays-already':
      return `${channel} listens to ${recorder} already. Put it back to the input it is recorded from first.`;
    case 'no-tap':
      return `No free track of ${recorder} can take in what ${channel} listens to. Begin at another track, wire the recorder to an output that can carry it, or look at how many lanes the link has at this rate.`;
    case 'no-way-back':
      return `What ${recorder} plays cannot be brought to ${channel}. Wire an output of the recorder to an input it can choose, and let the track play to that output.`;
    case 'moves-with-others':
      return `The switch that would bring ${channel} to its track moves others with it that have theirs already. Put its source on an input of the same block, or begin at a track from which more blocks are free.`;
  }
}
