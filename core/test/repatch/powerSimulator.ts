import type { Step } from '@ft/core/repatch/step';

/** How the two rows of a column of the bay are joined. */
export type Normalling = 'full' | 'half' | 'none' | 'parallel';

/** Lines of a wall panel into a bay, and a preamp with 48 V behind it, column by column. */
export interface PowerRig {
  readonly columns: readonly Normalling[];
}

/** A cord by its jacks. */
export interface SimCord {
  readonly from: string;
  readonly to: string;
}

type Groups = Map<string, string>;

/** Joins names that are one piece of copper (union by relabelling: small and obvious). */
function join(groups: Groups, a: string, b: string): void {
  const [x, y] = [groups.get(a) ?? a, groups.get(b) ?? b];
  for (const name of [a, b]) if (!groups.has(name)) groups.set(name, name);
  for (const [name, group] of groups) if (group === y) groups.set(name, x);
}

/**
 * A floor that somebody works on, told in copper alone: which names are one line, which lines have 48 V, and
 * which have had it since the last wait. Shares nothing with the program but the names of jacks and knobs.
 */
export class PowerSimulator {
  private cords: SimCord[];
  private readonly plugs: Set<string>;
  private readonly on: Set<number>;
  /** Names that have or had 48 V since the last wait. */
  private charged = new Set<string>();
  /** Plugs that were pulled from or put into such a line. */
  readonly shocks: string[] = [];

  /** @param draining switches that are off, but whose line nobody has waited for. */
  constructor(
    private readonly rig: PowerRig,
    cords: readonly SimCord[],
    on: Iterable<number>,
    draining: Iterable<number> = [],
  ) {
    this.cords = [...cords];
    this.plugs = new Set(cords.flatMap(({ from, to }) => [from, to]));
    this.on = new Set([...on, ...draining]);
    this.charge();
    for (const channel of draining) this.on.delete(channel);
  }

  private groups(): Groups {
    const groups: Groups = new Map();
    const plugged = (jack: string): boolean => this.plugs.has(jack);
    this.rig.columns.forEach((normalling, i) => {
      const n = String(i + 1);
      const [upper, lower] = [`bay/upper-${n}/1`, `bay/lower-${n}/1`];
      join(groups, `panel/jack-${n}/1`, upper);
      join(groups, lower, `input ${n}`);
      const isOpen = {
        full: plugged(upper) || plugged(lower),
        half: plugged(lower),
        none: true,
        parallel: false,
      }[normalling];
      if (!isOpen) join(groups, upper, lower);
    });
    for (const { from, to } of this.cords) join(groups, from, to);
    return groups;
  }

  private charge(): void {
    const groups = this.groups();
    const powered = new Set([...this.on].map((channel) => groups.get(`input ${String(channel)}`)));
    for (const [name, group] of groups) if (powered.has(group)) this.charged.add(name);
  }

  /** A hand at a jack: the whole line it is part of now must be dead. */
  private touch(jack: string, what: string): void {
    this.charge();
    const groups = this.groups();
    const own = groups.get(jack) ?? jack;
    const live = [...this.charged].some((name) => (groups.get(name) ?? name) === own);
    if (live) this.shocks.push(`${what} at ${jack}`);
  }

  private pull(jack: string): void {
    this.touch(jack, 'pulled');
    this.plugs.delete(jack);
    this.cords = this.cords.filter(({ from, to }) => from !== jack && to !== jack);
    this.touch(jack, 'pulled');
  }

  private plug(jack: string, joins?: SimCord): void {
    this.touch(jack, 'plugged');
    this.plugs.add(jack);
    if (joins !== undefined) this.cords.push(joins);
    this.touch(jack, 'plugged');
  }

  private switches(turns: readonly { readonly key: string; readonly value: unknown }[]): void {
    for (const { key, value } of turns) {
      const [, setting, channel] = key.split('/');
      if (setting !== 'phantom') continue;
      if (value === true) this.on.add(Number(channel));
      else this.on.delete(Number(channel));
    }
    this.charge();
  }

  do(step: Step): void {
    if (step.kind === 'power-off' || step.kind === 'set') this.switches(step.turns);
    if (step.kind === 'drain') {
      this.charged = new Set();
      this.charge();
    }
    if (step.kind === 'pull') for (const jack of [step.cord.id, step.cord.to]) this.pull(jack);
    if (step.kind === 'plug') {
      this.plug(step.becomes.from);
      this.plug(step.becomes.to, step.becomes);
    }
    if (step.kind === 'move') {
      this.pull(step.end === 'from' ? step.cord.id : step.cord.to);
      this.plug(step.becomes[step.end], step.becomes);
    }
  }
}
