import type { RuleId } from '@ft/core/checks/finding';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { plainTrack } from '@ft/core/session/daw/trackTemplate';
import type { Parts } from '../../fixtures/studioOf';

/** A least session that trips a rule, and one as near to it as can be that does not. */
export interface Example {
  readonly trips: Parts;
  readonly nearMiss: Parts;
  /** What the finding is about, as "kind:id". */
  readonly at: readonly string[];
}

export type Examples<R extends RuleId> = Readonly<Record<R, Example>>;

export const track = (id: string, more: Partial<Track> = {}): Track => ({
  ...plainTrack({ id: id as Track['id'], number: 1, name: id.toUpperCase(), kind: 'audio', width: 1 }),
  ...more,
});

const numbers = (count: number): readonly number[] => Array.from({ length: count }, (_, i) => i + 1);

/** A converter of four channels each way and a host with tracks; wires between them, and more of both. */
export function dawParts(
  tracks: readonly Track[],
  { devices = [], wires = [], session = {}, ...rest }: Parts = {},
): Parts {
  return {
    ...rest,
    devices: [
      { id: 'converter', type: 'converter', params: { adcs: 4, dacs: 4, initialReferenceDbu: 22 } },
      { id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 4, outputs: 4 } },
      ...devices,
    ],
    wires: [
      ...numbers(4).map((n) => [`converter/host-out/${n}`, `daw/stream-in/${n}`] as const),
      ...numbers(4).map((n) => [`daw/stream-out/${n}`, `converter/host-in/${n}`] as const),
      ...wires,
    ],
    session: { host: 'daw', tracks: tracks as never, ...session },
  };
}

export const hardwareSlot = (send: number, back = send, more: object = {}): Track['inserts'][number] => ({
  kind: 'hardware',
  send,
  return: back,
  sendTrimDb: 0,
  returnTrimDb: 0,
  ...more,
});

export const loudspeaker = (id: string): NonNullable<Parts['devices']>[number] => ({
  id,
  type: 'loudspeaker',
  params: {},
});
