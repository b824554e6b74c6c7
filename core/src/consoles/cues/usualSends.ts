import type { CueColumn, CueMatrix, CueSource } from '../../cues/cueSources';
import { sourceKey } from '../../cues/cueSources';
import type { WorkedScene } from '../../scene/workedScene';
import { formatNumber } from '../../units/format';
import { START } from '../ready/readyLine';

type Side = 'left' | 'right' | undefined;

/** The side of a wide line a source is; a line alone is none. */
function sideOf({ session }: WorkedScene, source: CueSource): Side {
  if (source.kind !== 'line') return undefined;
  const thread = session.threads.find(({ id }) => id === source.thread);
  if (thread?.link?.place === 2) return 'right';
  return session.threads.some(({ link }) => link?.lead === source.thread) ? 'left' : undefined;
}

/** A send as a cue starts with it: at 12 o'clock, before the fader; the sides of a wide line left and right. */
function usualText(column: CueColumn, key: string, side: Side): string {
  const level = formatNumber(START.noonDb);
  const [first] = column.sends.get(key) ?? [];
  if (first?.send.kind !== 'desk') return `${level} pre`;
  const { taps, pan } = first.send.cell;
  const words = taps.map(({ word }) => word);
  if (words.includes('both')) return `${level} ${side ?? 'both'}`;
  const tap = words.includes('pre') ? ' pre' : '';
  const place = side === 'left' ? ' L100' : ' R100';
  return `${level}${tap}${pan === undefined || side === undefined ? '' : place}`;
}

/**
 * Lines of the scene, and tracks that are no take of a line. What was played in another scene is asked for by hand, and
 * so is the click: not everybody wants it. A group beside its tracks would be heard twice.
 */
function isPlayed({ session, scene }: WorkedScene, source: CueSource): boolean {
  if (source.kind === 'track') {
    const track = session.tracks.find(({ id }) => id === source.track);
    return (track?.kind === 'audio' || track?.kind === 'instrument') && track.click !== true;
  }
  return (
    source.kind !== 'line' ||
    session.threads.some(
      ({ id, scenes, click }) => id === source.thread && scenes.includes(scene.id) && click !== true,
    )
  );
}

/** What a cue starts with: every line and track that comes to its carrier. Effects are left to whoever wants them. */
export const usualSends = (
  context: WorkedScene,
  { sources }: CueMatrix,
  column: CueColumn,
): readonly { readonly source: string; readonly text: string }[] =>
  sources.flatMap((source) => {
    const key = sourceKey(source);
    const isThere = (column.sends.get(key)?.length ?? 0) > 0;
    if (source.kind === 'row' || !isThere || !isPlayed(context, source)) return [];
    return [{ source: key, text: usualText(column, key, sideOf(context, source)) }];
  });
