import { isPlaybackScene } from '../../playback/checksOf';
import { floorPlayback } from '../../playback/floorPlayback';
import { playbackState } from '../../playback/playbackState';
import type { PlaybackCheck } from '../../session/playbackSchema';
import type { WorkedScene } from '../../scene/workedScene';
import type { Finding } from '../finding';
import type { Rule } from '../rule';

function run(context: WorkedScene): readonly Finding[] {
  const { session, rig, floor } = context;
  if (session.playbackChecks.length === 0 || isPlaybackScene(context)) return [];
  const isMarked = session.date !== undefined || session.goesLive === true;
  const finding = (check: PlaybackCheck, where: 'scene' | 'floor', channels: number): Finding => ({
    rule: 'playback-left-on',
    at: [
      { kind: 'device', id: check.console },
      { kind: 'device', id: check.recorder },
    ],
    figures: { where, channels, isMarked },
  });
  const planned = session.playbackChecks.flatMap((check) => {
    const { playing } = playbackState(context, check);
    return playing.length > 0 ? [finding(check, 'scene', playing.length)] : [];
  });
  if (planned.length > 0) return planned;
  const isHere = floor.scene?.session === session.id;
  return (isHere ? floorPlayback({ rig, floor, sessions: [session] }) : []).map(({ check, playing }) =>
    finding(check, 'floor', playing.length),
  );
}

export const playbackLeftOn: Rule = {
  id: 'playback-left-on',
  title: 'Still listening to the recorder',
  severity: 'error',
  stage: 'track',
  why: 'A console that still listens to the recorder when the show starts plays the rehearsal to the audience, and nobody on the stage is heard.',
  limits:
    'Channels of playback checks, in every scene that is not made for playback, and in the rooms as the work list knows them. In a session with no day that does not go live it is a warning.',
  run,
  severityOf: ({ figures }) => ('isMarked' in figures && figures.isMarked ? 'error' : 'warning'),
};
