import { trackGains, turnTrackGain } from '@ft/core/views/mix/trackGains';
import { plainTrack } from '@ft/core/session/daw/trackTemplate';
import type { Bus, Track } from '@ft/core/session/daw/trackSchema';
import { trackSchema } from '@ft/core/session/daw/trackSchema';

const plate: Bus = { id: 'plate' as Bus['id'], name: 'Plate', width: 2 };
const track: Track = {
  ...plainTrack({ id: 'lamp' as Track['id'], number: 1, name: 'LAMP', kind: 'audio', width: 2 }),
  faderDb: -3,
  sends: [
    { destination: { to: 'bus', bus: plate.id }, preFader: false, levelDb: -6, pan: 0 },
    { destination: { to: 'host', first: 3 }, preFader: true, levelDb: -10, pan: 0 },
  ],
  inserts: [
    { kind: 'plugin', name: 'De-esser', delaySamples: 64 },
    null,
    { kind: 'hardware', send: 17, return: 17, sendTrimDb: -2, returnTrimDb: 2 },
  ],
};

describe('the levels of a track that can be turned on trial', () => {
  it('are its fader, its sends by where they go, and the trims of its hardware slots', () => {
    expect(trackGains(track, [plate], true).map(({ title, db }) => [title, db])).toEqual([
      ['Fader', -3],
      ['Send to bus Plate', -6],
      ['Send to 3–4', -10],
      ['Slot 3 out', -2],
      ['Slot 3 back', 2],
    ]);
  });

  it('leave out trims where the host has none', () => {
    expect(trackGains(track, [plate], false)).toHaveLength(3);
  });

  it('change that one level and nothing else, to what the schema takes', () => {
    for (const { key, db } of trackGains(track, [plate], true)) {
      const change = turnTrackGain(track, key, db + 1)!;
      const turned = trackSchema.parse({ ...track, [change.field]: change.value });
      const after = trackGains(turned, [plate], true);
      expect(after.filter((each, i) => each.db !== trackGains(track, [plate], true)[i]!.db)).toEqual([
        expect.objectContaining({ key, db: db + 1 }),
      ]);
      const back = turnTrackGain(turned, key, db)!;
      expect({ ...turned, [back.field]: back.value }).toEqual(track);
    }
  });

  it.each(['sends/2', 'inserts/0/sendTrimDb', 'inserts/1/returnTrimDb', 'inserts/9/sendTrimDb'] as const)(
    'have no %s where the track has no such thing',
    (key) => {
      expect(turnTrackGain(track, key, 1)).toBeUndefined();
    },
  );
});
