const LAST_NUMBER = /\d+(?!.*\d)/s;

/** A text with its last number counted on: "mic 1" by 2 is "mic 3". A text without a number stays. */
export const countOn = (text: string, by: number): string =>
  text.replace(LAST_NUMBER, (number) => String(Number(number) + by));
