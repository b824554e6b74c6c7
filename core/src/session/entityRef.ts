import type { CordId, CueId, DeviceId, LaneId, PerformerId, StationId, ThreadId, TrackId } from '../rig/ids';

export const ENTITY_KINDS = [
  'thread',
  'lane',
  'station',
  'device',
  'cord',
  'track',
  'performer',
  'cue',
] as const;

/** Something a finding is about; the screen can jump to it. */
export type EntityRef =
  | { readonly kind: 'thread'; readonly id: ThreadId }
  | { readonly kind: 'lane'; readonly id: LaneId }
  | { readonly kind: 'station'; readonly id: StationId }
  | { readonly kind: 'device'; readonly id: DeviceId }
  | { readonly kind: 'cord'; readonly id: CordId }
  | { readonly kind: 'track'; readonly id: TrackId }
  | { readonly kind: 'performer'; readonly id: PerformerId }
  | { readonly kind: 'cue'; readonly id: CueId };
