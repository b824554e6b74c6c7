/** Where something stands in a studio document: keys and indexes from its root. */
export type Path = readonly (string | number)[];

/** What can be wrong with a studio document beyond the shape of its fields. Figures and ids, no prose. */
export type Problem =
  | {
      readonly code: 'not-json';
      readonly path: Path;
      readonly line: number;
      readonly column: number;
      readonly detail: string;
    }
  | { readonly code: 'wrong-format'; readonly path: Path; readonly found: string; readonly expected: string }
  /** Written by a later version of the program than this one. */
  | { readonly code: 'newer-format'; readonly path: Path; readonly found: string; readonly expected: string }
  | { readonly code: 'wrong-shape'; readonly path: Path; readonly detail: string }
  | { readonly code: 'too-many'; readonly path: Path; readonly found: number; readonly most: number }
  | { readonly code: 'too-deep'; readonly path: Path; readonly most: number }
  | { readonly code: 'broken-text'; readonly path: Path }
  /** More problems than are listed. */
  | { readonly code: 'and-more'; readonly path: Path }
  | { readonly code: 'duplicate-id'; readonly path: Path; readonly id: string; readonly firstAt: Path }
  | {
      readonly code: 'same-name';
      readonly path: Path;
      readonly kind: 'device' | 'room';
      readonly name: string;
      readonly firstAt: Path;
    }
  | { readonly code: 'dangling'; readonly path: Path; readonly kind: ReferenceKind; readonly id: string }
  | {
      readonly code: 'wrong-direction';
      readonly path: Path;
      readonly id: string;
      readonly needs: 'in' | 'out';
    }
  | { readonly code: 'not-a-jack'; readonly path: Path; readonly id: string }
  | { readonly code: 'not-wirable'; readonly path: Path; readonly id: string }
  | { readonly code: 'jack-taken'; readonly path: Path; readonly id: string; readonly byCord: string }
  /** Two cues of one scene on one bus or output. */
  | { readonly code: 'carrier-taken'; readonly path: Path; readonly name: string; readonly byName: string }
  /** A playback check whose live scene is its playback scene. */
  | { readonly code: 'one-scene-twice'; readonly path: Path; readonly id: string }
  | { readonly code: 'follows-itself'; readonly path: Path; readonly id: string }
  | { readonly code: 'wrong-role'; readonly path: Path; readonly id: string; readonly needs: string }
  | { readonly code: 'setting-misfit'; readonly path: Path; readonly id: string; readonly why: string };

export type ReferenceKind =
  | 'room'
  | 'lane'
  | 'station'
  | 'scene'
  | 'thread'
  | 'cue'
  | 'job'
  | 'track'
  | 'cord stock'
  | 'adaptor'
  | 'setting'
  | 'bus'
  | 'VCA'
  | 'DAW host';

/** So much of a key is told: one in a file may be of any length. */
const MOST_SAID = 80;

/** A path as a reader writes it: `rig.devices[3].room`. */
export function pathText(path: Path): string {
  const text = path
    .map((step) => (typeof step === 'number' ? `[${step}]` : `.${step.slice(0, MOST_SAID)}`))
    .join('');
  return text.replace(/^\./, '');
}
