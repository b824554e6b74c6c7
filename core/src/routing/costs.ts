/**
 * What a way through the studio costs, in cords. A normal is free, which is what normals are for; a
 * cord is work and can be knocked out; breaking a normal that another thread uses takes that thread
 * away. Figures are common practice, no source: only their order matters.
 */
export const ROUTING_COST = {
  /** One hop, so that of two free ways the shorter is taken. */
  hop: 0.001,
  tieLine: 0.05,
  cord: 1,
  cordPerMetre: 0.01,
  breakIdleNormal: 0.1,
  breakUsedNormal: 20,
  /** A place that another thread holds, when the question is which of them stand in the way. */
  held: 1000,
} as const;
