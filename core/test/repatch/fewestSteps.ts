/** A kind of cord with what is on its plugs; `kind` is its place in the list of kinds. */
export interface Variety {
  readonly kind: number;
  readonly fromAdaptor?: string;
  readonly toAdaptor?: string;
}

/** A cord by the places of its jacks, and what it is by its place in the list of varieties. */
export interface Plugged {
  readonly from: number;
  readonly to: number;
  readonly variety: number;
}

/** A small world of jacks and cords. */
export interface World {
  readonly froms: number;
  readonly tos: number;
  readonly varieties: readonly Variety[];
  /** How many cords of each kind there are, and adaptors. */
  readonly cords: readonly number[];
  readonly adaptors: Readonly<Record<string, number>>;
  /** Whether a cord of one kind does the work of another. */
  readonly canBe: (kind: number, wanted: number) => boolean;
  /** Input jacks where what is plugged is heard directly: nothing else is done after it. */
  readonly heard?: ReadonlySet<number>;
}

/** A state: for each output jack 0, or what its cord is and where it leads. */
type State = readonly number[];

/**
 * The fewest movements from one patch to another, by trying all: breadth first over every state of the jacks. A
 * movement is a cord pulled, plugged, or one end of it moved with what is on it. Knows nothing of pairing.
 */
export function fewestSteps(world: World, floor: readonly Plugged[], wanted: readonly Plugged[]): number {
  const { froms, tos, varieties } = world;
  const codes = tos * varieties.length + 1;
  const codeOf = (to: number, variety: number): number => 1 + variety * tos + to;
  const toOf = (code: number): number => (code - 1) % tos;
  const varietyOf = (code: number): number => Math.floor((code - 1) / tos);
  const keyOf = (state: State, late: boolean): number =>
    state.reduce((key, code) => key * codes + code, 0) * 2 + (late ? 1 : 0);
  const stateOf = (cords: readonly Plugged[]): State => {
    const state = new Array<number>(froms).fill(0);
    for (const { from, to, variety } of cords) state[from] = codeOf(to, variety);
    return state;
  };
  const hookAllows = (state: State): boolean => {
    const kinds = world.cords.map(() => 0);
    const adaptors: Record<string, number> = {};
    for (const code of state) {
      if (code === 0) continue;
      const { kind, fromAdaptor, toAdaptor } = varieties[varietyOf(code)]!;
      kinds[kind]!++;
      for (const id of [fromAdaptor, toAdaptor]) if (id !== undefined) adaptors[id] = (adaptors[id] ?? 0) + 1;
    }
    return (
      kinds.every((count, kind) => count <= world.cords[kind]!) &&
      Object.entries(adaptors).every(([id, count]) => count <= world.adaptors[id]!)
    );
  };
  const isDone = (state: State): boolean =>
    state.every((code, from) => {
      const want = wanted.find((each) => each.from === from);
      if (want === undefined || code === 0) return want === undefined && code === 0;
      const [have, need] = [varieties[varietyOf(code)]!, varieties[want.variety]!];
      return (
        toOf(code) === want.to &&
        have.fromAdaptor === need.fromAdaptor &&
        have.toAdaptor === need.toAdaptor &&
        world.canBe(have.kind, need.kind)
      );
    });
  const isHeard = (to: number): boolean => world.heard?.has(to) ?? false;
  const seen = new Uint8Array(2 * codes ** froms);
  let ring: { readonly state: State; readonly late: boolean }[] = [{ state: stateOf(floor), late: false }];
  seen[keyOf(ring[0]!.state, false)] = 1;
  for (let steps = 0; ring.length > 0; steps++) {
    const further: typeof ring = [];
    for (const { state, late } of ring) {
      if (isDone(state)) return steps;
      /** Visits a state; `into` is the input jack of the cord that was put in. */
      const visit = (changes: readonly (readonly [number, number])[], into?: number): void => {
        if (late && into !== undefined && !isHeard(into)) return;
        const next = [...state];
        for (const [from, code] of changes) next[from] = code;
        const nextLate = late || (into !== undefined && isHeard(into));
        const key = keyOf(next, nextLate);
        if (seen[key] === 1 || !hookAllows(next)) return;
        seen[key] = 1;
        further.push({ state: next, late: nextLate });
      };
      const taken = new Set(state.filter((code) => code > 0).map(toOf));
      for (let from = 0; from < froms; from++) {
        const code = state[from]!;
        if (code === 0) {
          for (let variety = 0; variety < varieties.length; variety++)
            for (let to = 0; to < tos; to++) if (!taken.has(to)) visit([[from, codeOf(to, variety)]], to);
          continue;
        }
        const variety = varietyOf(code);
        visit([[from, 0]]);
        for (let to = 0; to < tos; to++) if (!taken.has(to)) visit([[from, codeOf(to, variety)]], to);
        for (let other = 0; other < froms; other++)
          if (state[other] === 0)
            visit(
              [
                [from, 0],
                [other, code],
              ],
              toOf(code),
            );
      }
    }
    ring = further;
  }
  throw new Error('every patch that the hook allows can be reached');
}
