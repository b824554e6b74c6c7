/** A cord by its two jacks. All cords are alike here, and there are enough of them. */
export type Ends = readonly [string, string];

const keyOf = (cords: readonly Ends[]): string =>
  cords
    .map((ends) => ends.join('>'))
    .sort()
    .join(' ');

/** Every state one movement of one hand leads to: a cord pulled, plugged, or one end of it moved. */
function next(cords: readonly Ends[], froms: readonly string[], tos: readonly string[]): readonly Ends[][] {
  const held = new Set(cords.flat());
  const states: Ends[][] = [];
  cords.forEach(([from, to], i) => {
    const others = cords.filter((_, k) => k !== i);
    states.push([...others]);
    for (const jack of tos) if (!held.has(jack)) states.push([...others, [from, jack]]);
    for (const jack of froms) if (!held.has(jack)) states.push([...others, [jack, to]]);
  });
  for (const from of froms)
    for (const to of tos) if (!held.has(from) && !held.has(to)) states.push([...cords, [from, to]]);
  return states;
}

/** The fewest movements from one patch to another, by trying all: breadth first over the states of the jacks. */
export function fewestSteps(
  floor: readonly Ends[],
  wanted: readonly Ends[],
  froms: readonly string[],
  tos: readonly string[],
): number {
  const goal = keyOf(wanted);
  const seen = new Set([keyOf(floor)]);
  let ring: (readonly Ends[])[] = [floor];
  for (let steps = 0; ring.length > 0; steps++) {
    if (ring.some((cords) => keyOf(cords) === goal)) return steps;
    const further: (readonly Ends[])[] = [];
    for (const cords of ring)
      for (const state of next(cords, froms, tos)) {
        const key = keyOf(state);
        if (seen.has(key)) continue;
        seen.add(key);
        further.push(state);
      }
    ring = further;
  }
  throw new Error('every patch can be reached from every other');
}
