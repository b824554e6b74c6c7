/** The contacts of one channel of an eight-channel DB-25. */
export interface Db25Channel {
  readonly channel: number;
  readonly hot: number;
  readonly cold: number;
  readonly ground: number;
}

/** Contact 13 is not used. AES59, from memory. */
export const DB25_UNUSED = 13;

/** Balanced analogue audio, eight channels to a DB-25: AES59, from memory. */
export const AES59_ANALOGUE: readonly Db25Channel[] = [
  { channel: 1, hot: 24, cold: 12, ground: 25 },
  { channel: 2, hot: 10, cold: 23, ground: 11 },
  { channel: 3, hot: 21, cold: 9, ground: 22 },
  { channel: 4, hot: 7, cold: 20, ground: 8 },
  { channel: 5, hot: 18, cold: 6, ground: 19 },
  { channel: 6, hot: 4, cold: 17, ground: 5 },
  { channel: 7, hot: 15, cold: 3, ground: 16 },
  { channel: 8, hot: 1, cold: 14, ground: 2 },
];
