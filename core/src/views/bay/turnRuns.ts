/** One line of a step that turns knobs: "3 Gain", from and to; "1–16 Channel listens to" where many go alike. */
export interface TurnLine {
  readonly knob: string;
  readonly was: string;
  readonly value: string;
  /** On or off: where it stood before goes without saying. */
  readonly isSwitch: boolean;
}

/** A knob that is turned, one channel of it. */
export interface TurnedKnob extends Omit<TurnLine, 'knob'> {
  readonly title: string;
  /** Left out where the device has one. */
  readonly channel: number | undefined;
}

/** Fewer stand each for itself. */
const LEAST = 3;

/** "card in 7" as its words and its number. */
const counted = (text: string): readonly [string, number | undefined] => {
  const match = /^(.*?)(\d+)$/.exec(text);
  return match === null ? [text, undefined] : [match[1] ?? '', Number(match[2])];
};

/** Whether a text goes on from another: the same, or the same words counted one further. */
function goesOn(before: string, after: string): 'same' | 'counts' | undefined {
  if (before === after) return 'same';
  const [[words, n], [others, m]] = [counted(before), counted(after)];
  return words === others && n !== undefined && m === n + 1 ? 'counts' : undefined;
}

const follows = (a: TurnedKnob, b: TurnedKnob): boolean =>
  a.title === b.title &&
  a.channel !== undefined &&
  b.channel === a.channel + 1 &&
  goesOn(a.was, b.was) !== undefined &&
  goesOn(a.value, b.value) !== undefined;

/** How a run goes on has to stay as it began: all the same, or all counted. */
const isOneRun = (run: readonly TurnedKnob[], next: TurnedKnob): boolean => {
  const [first, second] = run;
  const last = run.at(-1);
  if (first === undefined || last === undefined || !follows(last, next)) return false;
  return (
    second === undefined ||
    (goesOn(first.was, second.was) === goesOn(last.was, next.was) &&
      goesOn(first.value, second.value) === goesOn(last.value, next.value))
  );
};

const range = (first: string, last: string): string =>
  first === last ? first : `${first}–${String(counted(last)[1] ?? last)}`;

const single = ({ title, channel, was, value, isSwitch }: TurnedKnob): TurnLine => ({
  ...{ knob: channel === undefined ? title : `${String(channel)} ${title}`, was, value, isSwitch },
});

function lineOf(run: readonly TurnedKnob[]): readonly TurnLine[] {
  const [first, last] = [run[0], run.at(-1)];
  if (first === undefined || last === undefined || run.length < LEAST) return run.map(single);
  return [
    {
      knob: `${String(first.channel)}–${String(last.channel)} ${first.title}`,
      ...{ was: range(first.was, last.was), value: range(first.value, last.value) },
      isSwitch: first.isSwitch,
    },
  ];
}

/** Knobs side by side that go alike are one line: few lines are read before a flip, many are not. */
export function turnRuns(turned: readonly TurnedKnob[]): readonly TurnLine[] {
  const runs: TurnedKnob[][] = [];
  for (const each of turned) {
    const run = runs.at(-1);
    if (run !== undefined && isOneRun(run, each)) run.push(each);
    else runs.push([each]);
  }
  return runs.flatMap(lineOf);
}
