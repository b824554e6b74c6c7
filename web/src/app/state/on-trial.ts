import { editKnob, editSet, fieldRead } from '@ft/core/edits/make';
import type { Edit } from '@ft/core/edits/make';
import { inScene, inSession } from '@ft/core/edits/shelf';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import type { TrackGainChange } from '@ft/core/views/mix/trackGains';
import { turnTrackGain } from '@ft/core/views/mix/trackGains';
import type { Track } from '@ft/core/session/daw/trackSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Trial } from './plan.feature';

/** The track a level on trial is of, and how it would change; undefined where it is of no track, or is gone. */
function trackChange(
  session: Session | undefined,
  { on, value }: Trial,
): { readonly track: Track; readonly change: TrackGainChange } | undefined {
  if (on.kind !== 'track') return undefined;
  const track = session?.tracks.find(({ id }) => id === on.track);
  const change = track && turnTrackGain(track, on.key, value);
  return track && change && { track, change };
}

/** The studio as it would be with a level of the scene turned; the same object where none is on trial. */
export function onTrial(studio: Studio, place: ScenePlace, trial: Trial | null): Studio {
  if (trial === null) return studio;
  const { on, value } = trial;
  if (on.kind === 'knob')
    return inScene(studio, place, (scene) => ({
      ...scene,
      settings: { ...scene.settings, [on.key]: value },
    }));
  return inSession(studio, place.session, (session) => {
    const turned = trackChange(session, trial);
    return {
      ...session,
      tracks: session.tracks.map((track) =>
        track === turned?.track ? { ...track, [turned.change.field]: turned.change.value } : track,
      ),
    };
  });
}

/** The change that sets a level as it stands on trial; undefined where what it is of is gone. */
export function trialEdit(studio: Studio, place: ScenePlace, trial: Trial): Edit | undefined {
  const found = findScene(studio, place);
  const { on, value } = trial;
  if (on.kind === 'knob')
    return found && editKnob(place, { key: on.key, value, was: found.scene.settings[on.key] ?? null });
  const turned = trackChange(found?.session, trial);
  if (turned === undefined) return undefined;
  const { track, change } = turned;
  return editSet(
    'track',
    { session: place.session },
    track.id,
    fieldRead('track', change.field, change.value, track[change.field]),
  );
}
