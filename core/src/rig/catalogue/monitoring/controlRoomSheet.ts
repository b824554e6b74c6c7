import type { LaneKey } from '../../deviceModel';
import { knob } from '../../sheets/cells';
import type { SheetRow } from '../../sheets/channelSheet';

/** What the rows of a control room are made from. */
interface ControlRoomSheet {
  readonly sources: readonly string[];
  readonly room: LaneKey;
  /** The outputs of each set of loudspeakers. */
  readonly sets: readonly (readonly LaneKey[])[];
}

/** The control room itself, the trims of what it listens to, and the sets of loudspeakers. */
export const controlRoomRows = ({ sources, room, sets }: ControlRoomSheet): readonly SheetRow[] => [
  {
    id: 'control-room',
    name: 'control room',
    lane: room,
    cells: {
      source: knob('monitorSource'),
      mono: knob('mono'),
      set: knob('speakerSet'),
      dim: knob('dim'),
      fader: knob('monitorLevelDb'),
      mute: knob('cut'),
    },
  },
  ...sources.map((name, i) => ({
    ...{ id: `source-${i + 1}`, name: `trim of ${name}` },
    cells: { trim: knob('sourceTrimDb', i + 1) },
  })),
  ...sets.map((leaves, i) => ({
    ...{ id: `speakers-${i + 1}`, name: `loudspeakers ${i + 1}`, leaves, lane: leaves[0] ?? room },
    cells: { trim: knob('speakerTrimDb', i + 1) },
  })),
];
