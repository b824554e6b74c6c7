/**
 * MIDI time code, quarter frames: eight messages of four bits say one time, and take two frames to do so
 * (MIDI 1.0 Detailed Specification, MIDI Time Code, from memory).
 */

/** Frames a second by the two bits of the last message: 24, 25, 30 drop-frame (29.97), 30. */
export const FRAME_RATES = [24, 25, 30_000 / 1001, 30] as const;
export type FrameRate = (typeof FRAME_RATES)[number];
const QUARTER_FRAME = 0xf1;
/** Minutes of drop-frame leave out two numbers, but every tenth. */
const DROP = 2;

/** A time as it is counted: hours, minutes, seconds, frames. */
export interface Timecode {
  readonly hours: number;
  readonly minutes: number;
  readonly seconds: number;
  readonly frames: number;
  readonly rate: FrameRate;
}

const isDrop = (rate: FrameRate): boolean => rate === FRAME_RATES[2];
const nominal = (rate: FrameRate): number => Math.round(rate);

/** Seconds since zero, real ones: of drop-frame the numbers that are left out are not counted. */
export function secondsOf({ hours, minutes, seconds, frames, rate }: Timecode): number {
  const all = 60 * hours + minutes;
  const left = isDrop(rate) ? DROP * (all - Math.floor(all / 10)) : 0;
  return ((60 * all + seconds) * nominal(rate) + frames - left) / rate;
}

/** The time at a number of seconds, to the whole frame before. */
export function timecodeAt(time: number, rate: FrameRate): Timecode {
  let frame = Math.floor(time * rate + 1e-6);
  if (isDrop(rate)) {
    // Seventeen thousand nine hundred and eighty-two frames make ten minutes.
    const [tens, rest] = [Math.floor(frame / 17_982), frame % 17_982];
    frame += DROP * 9 * tens + (rest < DROP ? 0 : DROP * Math.floor((rest - DROP) / 1_798));
  }
  const fps = nominal(rate);
  return {
    rate,
    frames: frame % fps,
    seconds: Math.floor(frame / fps) % 60,
    minutes: Math.floor(frame / (fps * 60)) % 60,
    hours: Math.floor(frame / (fps * 3600)) % 24,
  };
}

/** The eight messages that say a time, each of two bytes. */
export function quarterFrames({
  hours,
  minutes,
  seconds,
  frames,
  rate,
}: Timecode): readonly (readonly [number, number])[] {
  const kind = FRAME_RATES.indexOf(rate);
  const nibbles = [
    ...[frames & 0xf, frames >> 4, seconds & 0xf, seconds >> 4],
    ...[minutes & 0xf, minutes >> 4, hours & 0xf, (hours >> 4) | (kind << 1)],
  ];
  return nibbles.map((nibble, piece) => [QUARTER_FRAME, (piece << 4) | nibble]);
}

/** Puts quarter frames together again. One that is missing, or played backwards, says nothing until eight have come in order. */
export class QuarterFrameReader {
  private readonly nibbles: number[] = [];

  /** @returns where the sender stands at the moment of this message, s; undefined until it is known. */
  read(bytes: ArrayLike<number>): number | undefined {
    const [status, data] = [bytes[0], bytes[1]];
    if (status !== QUARTER_FRAME || data === undefined) return undefined;
    const [piece, nibble] = [data >> 4, data & 0xf];
    if (piece !== this.nibbles.length) this.nibbles.length = 0;
    if (piece !== this.nibbles.length) return undefined;
    this.nibbles.push(nibble);
    if (this.nibbles.length < 8) return undefined;
    const [f0 = 0, f1 = 0, s0 = 0, s1 = 0, m0 = 0, m1 = 0, h0 = 0, h1 = 0] = this.nibbles;
    this.nibbles.length = 0;
    const rate = FRAME_RATES[(h1 >> 1) & 3] ?? 25;
    const code = {
      ...{ frames: f0 | ((f1 & 1) << 4), seconds: s0 | ((s1 & 3) << 4) },
      ...{ minutes: m0 | ((m1 & 3) << 4), hours: h0 | ((h1 & 1) << 4), rate },
    };
    // The time is that of the first message; seven quarters of a frame have gone by since.
    return secondsOf(code) + 7 / 4 / rate;
  }
}
