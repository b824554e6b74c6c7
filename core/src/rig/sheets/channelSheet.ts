import { numbersTo } from '../catalogue/params';
import type { KnobRef, LaneKey } from '../deviceModel';

/** What a part of a channel is for: what can be copied to other channels for itself. */
export const SHEET_PARTS = ['source', 'preamp', 'inserts', 'processing', 'sends', 'mix', 'fader'] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];

/** A column of the channel sheet. */
export interface ChannelColumn {
  readonly id: string;
  readonly title: string;
  readonly unit?: string;
  readonly hint?: string;
  readonly part: SheetPart;
}

/** A figure, a switch, or a selector whose positions have names. */
export interface KnobCell {
  readonly kind: 'knob';
  readonly knob: KnobRef;
}

/** What a destination of a matrix listens to. In a coarse one it shares its knob with the others of its block. */
export interface PatchCell {
  readonly kind: 'patch';
  readonly knob: KnobRef;
  /** The names of all sources, in their order. */
  readonly sources: readonly string[];
  /** Lanes that move together; 1 where each is free. */
  readonly block: number;
  /** Which of its block the destination is, from 0. */
  readonly at: number;
}

/** A send: where it leaves, how loud, and where it stands in a stereo pair. */
export interface SendCell {
  readonly kind: 'send';
  /** A switch, or a selector of taps. */
  readonly from: KnobRef;
  /** What the positions of the selector are called here; positions of another row of the sheet are left out. */
  readonly taps: readonly { readonly word: string; readonly position: number }[];
  readonly level: KnobRef;
  readonly pan?: KnobRef;
  /** The switch that makes this and its neighbour a stereo pair, of which it is one side. */
  readonly pair?: { readonly knob: KnobRef; readonly side: 'left' | 'right'; readonly number: number };
}

/** Switches that are counted: the groups a channel goes to. */
export interface SetCell {
  readonly kind: 'set';
  /** What one of them is called. */
  readonly one: string;
  readonly of: readonly KnobRef[];
}

/** An insert point: in or out, and where it lies. */
export interface InsertCell {
  readonly kind: 'insert';
  readonly in: KnobRef;
  /** The switch that puts it behind the equaliser. */
  readonly after?: KnobRef;
}

export type ChannelCell = KnobCell | PatchCell | SendCell | SetCell | InsertCell;

/** Where an insert point leaves and comes back. */
export interface InsertJacks {
  readonly send: LaneKey;
  readonly back: LaneKey;
}

/** A row of the channel sheet: a channel, a return, a bus, an output. */
export interface SheetRow {
  /** Stays when names change: "channel-3". */
  readonly id: string;
  readonly name: string;
  /** Where its sound is; a VCA has none. */
  readonly lane?: LaneKey;
  /** Lanes of its own that leave the device. */
  readonly leaves?: readonly LaneKey[];
  readonly insert?: InsertJacks;
  /** Of a bus with two sides on one row: where its right side leaves and comes back. */
  readonly insertRight?: InsertJacks;
  /** The line input it can listen to, and what it is called among its sources. */
  readonly lineIn?: { readonly lane: LaneKey; readonly source: string };
  /** Of a bus that can carry a cue: the column its sends stand in. */
  readonly fedBy?: string;
  /** By column. */
  readonly cells: Readonly<Record<string, ChannelCell>>;
}

/** Rows of one kind. */
export interface SheetSection {
  readonly id: string;
  readonly title: string;
  readonly rows: readonly SheetRow[];
}

/** What lies under the faders of a console together, in their order. */
export interface SheetLayer {
  readonly id: string;
  readonly name: string;
  /** By their ids. */
  readonly rows: readonly string[];
}

/** A device with channels as rows and knobs as columns. */
export interface ChannelSheet {
  /** Columns besides those every sheet may have. */
  readonly columns?: readonly ChannelColumn[];
  readonly sections: readonly SheetSection[];
  readonly layers: readonly SheetLayer[];
}

/** A sheet without its empty sections. */
export const channelSheet = (
  sections: readonly SheetSection[],
  layers: readonly SheetLayer[] = [],
): ChannelSheet => ({
  sections: sections.filter(({ rows }) => rows.length > 0),
  layers: layers.filter(({ rows }) => rows.length > 0),
});

export const section = (id: string, title: string, rows: readonly SheetRow[]): SheetSection => ({
  id,
  title,
  rows,
});

/** A section of rows that are counted from 1. */
export const numbered = (
  id: string,
  title: string,
  count: number,
  row: (n: number) => SheetRow,
): SheetSection => section(id, title, numbersTo(count).map(row));
