import { nextPlace } from '../../mix/sum/placeReasons';
import type { SumId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { nextBestText } from '../../words/mix/placeSentence';
import type { StemRow } from './stemRow';
import type { SummingView, SumView } from './summingView';

/**
 * What would be next best for a stem, in words; empty where it was typed or has no place. Each is a sharing out of its own,
 * and takes some tenths of a second where many share.
 */
export function nextBestOf(context: WorkedScene, id: SumId, track: TrackId): string {
  const { sums, tracks } = context.session;
  const sum = sums.find((each) => each.id === id);
  if (sum === undefined || sum.school === 'track for track') return '';
  const nameOf = (of: string): string => tracks.find((each) => each.id === of)?.name ?? of;
  return nextBestText(nextPlace(context, sum, track), nameOf);
}

/** A sum with what would be next best for each stem, as papers and files tell it. */
export interface WholeSum extends SumView {
  readonly rows: readonly (StemRow & { readonly nextBest: string })[];
}

export const withNextBest = (context: WorkedScene, { sums }: SummingView): readonly WholeSum[] =>
  sums.map((sum) => ({
    ...sum,
    rows: sum.rows.map((row) => ({ ...row, nextBest: nextBestOf(context, sum.id, row.track) })),
  }));
