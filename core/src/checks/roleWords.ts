import type { StationRole } from '../rig/deviceModel';

/** What a reader calls a station of each role. */
export const ROLE_WORDS: Record<StationRole, string> = {
  'room-jack': 'room jack',
  preamp: 'preamp',
  processor: 'insert',
  converter: 'converter input',
  'daw-input': 'DAW input',
};
