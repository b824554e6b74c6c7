import { isPlaybackScene } from '../../playback/checksOf';
import { floorPlayback } from '../../playback/floorPlayback';
import { playbackState } from '../../playback/playbackState';
import type { SceneId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';

/** What has to be said on every screen and sheet while a recorder plays into a console. */
export interface PlaybackBanner {
  /** In the rooms as they stand, or in the scene that is shown only. */
  readonly where: 'floor' | 'scene';
  /** "Kiln desk: 16 channels listen to Kiln recorder". */
  readonly says: string;
  /** Since when, ISO 8601, where it is known. */
  readonly since?: string;
  /** The scene the way back leads to. */
  readonly live: SceneId;
  /** The scene shown is not made for playback, and yet plays back. */
  readonly isLeftOn: boolean;
}

function told({ devices }: WorkedScene, console: string, recorder: string, count: number): string {
  const nameOf = (id: string): string => devices.get(id as never)?.name ?? id;
  const channels = count === 1 ? '1 channel listens' : `${String(count)} channels listen`;
  return `${nameOf(console)}: ${channels} to ${nameOf(recorder)}`;
}

/** The banner of a scene: what plays back in the rooms comes before what is only planned. */
export function playbackBanner(context: WorkedScene): PlaybackBanner | undefined {
  const { session, rig, floor } = context;
  if (session.playbackChecks.length === 0) return undefined;
  const [real] =
    floor.scene?.session === session.id ? floorPlayback({ rig, floor, sessions: [session] }) : [];
  if (real !== undefined) {
    const { check, playing } = real;
    return {
      where: 'floor',
      says: told(context, check.console, check.recorder, playing.length),
      ...(floor.playbackSince !== undefined && { since: floor.playbackSince }),
      ...{ live: check.live, isLeftOn: !isPlaybackScene(context) },
    };
  }
  for (const check of session.playbackChecks) {
    const { playing } = playbackState(context, check);
    if (playing.length > 0)
      return {
        where: 'scene',
        says: told(context, check.console, check.recorder, playing.length),
        ...{ live: check.live, isLeftOn: !isPlaybackScene(context) },
      };
  }
  return undefined;
}

/** The banner as one line of paper: "PLAYBACK IN THE ROOMS since 2026-12-05 14:05 UTC. Kiln desk: …". */
export function bannerLine({ where, says, since, isLeftOn }: PlaybackBanner): string {
  const place = where === 'floor' ? 'IN THE ROOMS' : 'IN THIS SCENE';
  const from = since === undefined ? '' : ` since ${since.slice(0, 16).replace('T', ' ')} UTC`;
  return `PLAYBACK ${isLeftOn ? 'STILL ON ' : ''}${place}${from}. ${says}.`;
}
