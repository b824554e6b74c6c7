import type { EdgeKind } from '../graph/signalGraph';

/** What a reader calls each kind of hop. */
export const EDGE_WORDS: Readonly<Record<EdgeKind, string>> = {
  route: 'inside',
  normal: 'normal',
  hardwire: 'wire',
  tieLine: 'tie line',
  crosspoint: 'crosspoint',
  cord: 'cord',
};
