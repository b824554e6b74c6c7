/** Where a unit stands: the device it is wired to, and the numbers there. */
export interface WiredOn {
  readonly device: string;
  readonly numbers: string;
}

const PLACE = /^(?:the\s+)?(.+?)\s+(\d+(?:\s*[-–]\s*\d+)?)$/i;

/** "interface 3-4" as a device and its numbers; undefined where it is none. */
export function readWiredOn(text: string): WiredOn | undefined {
  const match = PLACE.exec(text.trim());
  return match === null ? undefined : { device: match[1] ?? '', numbers: match[2] ?? '' };
}
