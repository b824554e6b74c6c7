import { barsAt, barText } from '@ft/core/takes/bars';
import { clockText, counterAt, heardAt, readClock, syncRefusal } from '@ft/core/takes/counter';
import type { Tempo } from '@ft/core/session/tempo';
import { readTempo, tempoText } from '@ft/core/typed/tempoText';
import { T0, takeAt } from '../fixtures/logOf';
import { seeded } from '../fixtures/seeded';

describe('a counter', () => {
  const take = takeAt('a', 30);

  it('runs on from its start, and from where it was set since', () => {
    expect(counterAt(take, T0 + 12_300)).toBeCloseTo(42.3, 6);
    const set = { ...take, syncs: [...take.syncs, { atMs: T0 + 10_000, counterS: 41 }] };
    expect(counterAt(set, T0 + 9_000)).toBeCloseTo(39, 6);
    expect(counterAt(set, T0 + 12_000)).toBeCloseTo(43, 6);
  });

  it('never stands before its start, whatever the clock of a window says', () => {
    expect(counterAt(take, T0 - 5_000)).toBe(30);
  });

  it('ends after a day: a take that was forgotten can still be stopped and noted in', () => {
    expect(counterAt(take, T0 + 9 * 86_400_000)).toBe(86_400);
  });

  it('puts what was heard a reaction before the key, and not before the take', () => {
    expect(heardAt(take, T0 + 12_300, 1)).toBeCloseTo(41.3, 6);
    expect(heardAt(take, T0 + 400, 1)).toBe(30);
  });

  it('is not set back before the start of the take, and says so', () => {
    expect(syncRefusal(take, { atMs: T0, counterS: 31 })).toBeUndefined();
    expect(syncRefusal(take, { atMs: T0, counterS: 12 })).toBe(
      'The counter would stand at 0:00:12.0, before the start of take 1 at 0:00:30.0. Stop the take and start another there.',
    );
  });

  it.each([
    [0, '0:00:00.0'],
    [59.96, '0:01:00.0'],
    [845.34, '0:14:05.3'],
    [3723.5, '1:02:03.5'],
  ])('%d s reads %s', (seconds, text) => {
    expect(clockText(seconds)).toBe(text);
    expect(readClock(text)).toBeCloseTo(seconds, 1);
  });

  it.each([
    ['2:03', 123],
    ['83,5', 83.5],
    ['1:00:00', 3600],
    ['1:75', undefined],
    ['1:61:00', undefined],
    ['-4', undefined],
    ['', undefined],
    ['25:00:00', undefined],
  ])('“%s” is read as %s', (text, seconds) => {
    expect(readClock(text)).toBe(seconds);
  });
});

/** Beat by beat from the first bar, as somebody would count along. */
function counted(tempo: readonly Tempo[], seconds: number): string {
  let [bar, beat, left] = [1, 1, seconds];
  for (;;) {
    const { bpm, beats } = [...tempo].reverse().find((each) => each.bar <= bar)!;
    if (left < 60 / bpm - 1e-9) return `${bar}.${beat}`;
    left -= 60 / bpm;
    beat += 1;
    if (beat > beats) [bar, beat] = [bar + 1, 1];
  }
}

describe('bars and beats', () => {
  it('are none without a tempo', () => {
    expect(barsAt([], 12)).toBeUndefined();
  });

  it('are those somebody counts along, over changes of tempo and time', () => {
    const dice = seeded(7);
    const tempo: Tempo[] = [
      { bar: 1, bpm: 120, beats: 4 },
      { bar: 5, bpm: 90, beats: 3 },
      { bar: 6, bpm: 200, beats: 5 },
      { bar: 20, bpm: 61.5, beats: 4 },
    ];
    for (let i = 0; i < 200; i++) {
      const seconds = dice.roll() * 90;
      expect([seconds, barText(barsAt(tempo, seconds)!)]).toEqual([seconds, counted(tempo, seconds)]);
    }
  });

  it('are typed, and written as they are typed', () => {
    const read = readTempo('120 4/4; 33: 96 3/4; 40: 97,5');
    expect(read).toEqual({
      ok: true,
      value: [
        { bar: 1, bpm: 120, beats: 4 },
        { bar: 33, bpm: 96, beats: 3 },
        { bar: 40, bpm: 97.5, beats: 3 },
      ],
    });
    expect(read.ok && tempoText(read.value)).toBe('120 4/4; 33: 96 3/4; 40: 97.5 3/4');
    expect(readTempo('')).toEqual({ ok: true, value: [] });
  });

  it.each([
    ['0', 'a tempo from 10 to 400 beats a minute'],
    ['120; 1: 90', 'does not come after bar 1'],
    ['fast', 'is no tempo. Write 120 4/4'],
    ['120 0/4', '1 to 32 beats in a bar'],
  ])('“%s” is refused in words', (text, sentence) => {
    const read = readTempo(text);
    expect(read.ok ? '' : read.sentence).toContain(sentence);
  });
});
