import type { FlowLink, FlowNode } from '@ft/core/views/flow/flowGraph';

/** A box of the diagram, placed. */
export interface PlacedNode extends FlowNode {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** A line of the diagram as points, and where its words stand. */
export interface PlacedLink extends FlowLink {
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly label: { readonly x: number; readonly y: number };
}

export interface FlowLayout {
  readonly width: number;
  readonly height: number;
  readonly nodes: readonly PlacedNode[];
  readonly links: readonly PlacedLink[];
}

const CHARACTER = 7.2;
export const NODE_HEIGHT = 40;

/** A box is as wide as its name. */
export const nodeWidth = ({ name, room }: FlowNode): number =>
  Math.max(90, Math.max(name.length, room.length) * CHARACTER + 24);
export const labelWidth = ({ text }: FlowLink): number => Math.min(260, text.length * 6 + 8);
