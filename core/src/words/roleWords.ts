import type { PlaceRole } from '../routing/waypoints';

/** What a reader calls a station of each role. */
export const ROLE_WORDS: Record<PlaceRole, string> = {
  'room-jack': 'room jack',
  preamp: 'preamp',
  processor: 'insert',
  loop: 'loop',
  converter: 'converter input',
  di: 'DI box',
  're-amp': 're-amp box',
  sum: 'summing input',
  'line-output': 'line output',
  'daw-output': 'DAW output',
  monitor: 'power amplifier channel',
  'daw-input': 'DAW input',
  input: 'input',
};
