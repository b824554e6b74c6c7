import type { TrackCell } from '@ft/core/actions/mix/trackCellsEdits';
import { trackCellsEdits } from '@ft/core/actions/mix/trackCellsEdits';
import { applyChange } from '@ft/core/edits/change';
import type { SessionId, TrackId } from '@ft/core/rig/ids';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { saltglassRooms } from '../fixtures/builtDemo';

const demo = saltglassRooms();
const SESSION = demo.sessions[0]!.id;
const { tracks } = demo.sessions[0]!;
const cell = (place: number, field: TrackCell['field'], text: string): TrackCell => ({
  track: tracks[place]!.id,
  field,
  text,
});

function entered(cells: readonly TrackCell[]): {
  refused: readonly string[];
  track: (place: number) => Track;
} {
  const { edits, refused } = trackCellsEdits(demo, SESSION, cells);
  const result = applyChange(demo, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  const now = result.value.sessions[0]!.tracks;
  return {
    refused: refused.map(({ at, sentence }) => `${String(at)}: ${sentence}`),
    track: (place) => now.find(({ id }) => id === tracks[place]!.id)!,
  };
}

describe('texts for cells of the track sheet', () => {
  it('fill figures and switches of several tracks as one change', () => {
    const { track, refused } = entered([
      cell(0, 'faderDb', '−3'),
      cell(1, 'faderDb', '-6,5'),
      cell(1, 'muted', 'on'),
      cell(2, 'recordArm', 'yes'),
      cell(0, 'muted', 'off'),
    ]);
    expect(refused).toEqual([]);
    expect([track(0).faderDb, track(1).faderDb]).toEqual([-3, -6.5]);
    expect([track(0).muted, track(1).muted, track(2).recordArm]).toEqual([false, true, true]);
  });

  it('may build on one another: a VCA made and named just before is followed', () => {
    const { track, refused } = entered([
      cell(0, 'kind', 'vca'),
      cell(0, 'name', 'All voices'),
      cell(1, 'vca', 'all voices'),
    ]);
    expect(refused).toEqual([]);
    expect(track(1).vca).toBe(tracks[0]!.id);
  });

  it('that do not fit are told by their place and track, and the rest is taken', () => {
    const { track, refused } = entered([
      cell(0, 'outputs', 'bus Nowhere'),
      cell(1, 'pan', 'L20'),
      cell(2, 'muted', 'perhaps'),
      { track: 'gone' as TrackId, field: 'name', text: 'x' },
    ]);
    const { name } = tracks[0]!;
    expect(refused).toEqual([
      `0: ${name}: There is no bus “Nowhere”. Add it to the buses first.`,
      '2: “perhaps” is not a state of mute. Type on or off.',
      '3: This track is not here any more.',
    ]);
    expect(track(1).pan).toBe(-20);
  });

  it('of a session that is gone do nothing', () => {
    expect(trackCellsEdits(demo, 'gone' as SessionId, [cell(0, 'name', 'x')])).toEqual({
      ...{ edits: [], refused: [] },
    });
  });
});
