import { panText } from '../../../consoles/cells/panText';
import { busCells } from '../../../consoles/cues/busCells';
import type { CarrierOutput } from '../../../consoles/cues/carrierOutputs';
import { carrierOutputs } from '../../../consoles/cues/carrierOutputs';
import { carrierChoices } from '../../../consoles/cues/carriers';
import { carrierText } from '../../../consoles/cues/carrierText';
import type { Desk, DeskRow } from '../../../consoles/desk';
import { laneAtOf } from '../../../consoles/desk';
import type { ReadyCell } from '../../../consoles/ready/readyLine';
import { SumDesks } from '../../../consoles/mixing/deskOfSum';
import { parallelLines } from '../../../consoles/mixing/parallelLines';
import { sidesOfChain } from '../../../mix/chainUnits';
import { sumInputs } from '../../../mix/sum/sumInputs';
import { stemStands } from '../../../mix/sum/sumStand';
import { sameValue } from '../../../edits/sameValue';
import type { StationId } from '../../../rig/ids';
import type { WorkedScene } from '../../../scene/workedScene';
import type { Carrier } from '../../../session/cueSchema';
import type { Sum } from '../../../session/sumSchema';
import type { CellReading } from '../../../text/cellReading';
import { refuse, value } from '../../../text/cellReading';
import { readChain } from '../../../typed/job/jobUnits';
import type { SettingUp } from '../../settingUp';
import { addThreadsEdits } from '../../track/threadEdits';
import { standstill, turnLoops } from '../jobs/jobRoutes';
import { linesBetween } from './linesBetween';

/** A bus beside the mix: what carries it, and the units it passes, as a chain is typed. */
export interface ParallelWish {
  readonly carrier: Carrier;
  readonly units: string;
}

/** Where its returns stand at first: it is brought up from below. Common practice, no source. */
const RETURN_DB = -12;

/** Channels that carry nothing and can take in a line: one, or two side by side from an odd one on. */
function freeChannels(
  context: WorkedScene,
  desk: Desk,
  taken: ReadonlySet<string>,
  sides: number,
): readonly DeskRow[] {
  const channels = desk.rows.filter(({ row }) => row.lineIn !== undefined);
  const ends = new Set(context.threads.map(({ thread }) => thread.to));
  const isFree = ({ id, lane, row }: DeskRow): boolean => {
    const line = row.lineIn && laneAtOf(context, desk.device, row.lineIn.lane);
    const isSilent = (context.field.arrivals[lane ?? -1]?.length ?? 0) === 0;
    return !taken.has(id) && isSilent && !ends.has(context.graph.lanes[line ?? -1]?.id);
  };
  const at = channels.findIndex((_, i) => {
    const own = channels.slice(i, i + sides);
    return (sides === 1 || i % 2 === 0) && own.length === sides && own.every(isFree);
  });
  return at < 0 ? [] : channels.slice(at, at + sides);
}

/** A channel sends at unity behind its fader, and stands in the bus where it stands in the mix. */
function sendCell(desk: Desk, { id, cells }: DeskRow, column: string, isWide: boolean): readonly ReadyCell[] {
  const send = cells[column]?.cell;
  if (send?.kind !== 'send') return [];
  const pan = cells['pan'];
  const position = pan?.cell.kind === 'knob' ? Number(desk.knobs(pan.device).value(pan.cell.knob)) : 0;
  const tap = send.taps.some(({ word }) => word === 'post') ? ' post' : '';
  const place = isWide && send.pan !== undefined ? ` ${panText(position)}` : '';
  return [{ row: id, column, text: `0${tap}${place}` }];
}

/** The returns listen to their lines, go to the mix at both ends of it, and not into the bus they come from. */
const returnCells = (returns: readonly DeskRow[], column: string): readonly ReadyCell[] =>
  returns.flatMap(({ id, row, cells }, side) => [
    { row: id, column: 'source', text: row.lineIn?.source ?? '' },
    ...(cells[column] === undefined ? [] : [{ row: id, column, text: 'off' }]),
    { row: id, column: 'toMix', text: 'on' },
    { row: id, column: 'pan', text: returns.length === 1 ? 'C' : side === 0 ? 'L100' : 'R100' },
    { row: id, column: 'fader', text: String(RETURN_DB) },
  ]);

/** A parallel bus as it will be: its sides, what they pass, and the channels they come back by. */
interface Planned {
  readonly name: string;
  readonly desk: Desk;
  readonly column: string;
  readonly sides: readonly CarrierOutput[];
  readonly chain: StationId[][];
  readonly returns: readonly DeskRow[];
}

function planned(context: WorkedScene, sum: Sum, { carrier, units }: ParallelWish): CellReading<Planned> {
  const desk = new SumDesks(context, sum).console();
  const name = carrierText(context, carrier);
  const bus = desk?.rows.find(({ id }) => carrier.on === 'console' && id === carrier.rows[0]);
  const column = bus?.row.fedBy;
  const outputs = carrierOutputs(context, carrier, new Set());
  if (desk === undefined || bus === undefined || column === undefined || !outputs.ok)
    return refuse(
      `${name} cannot carry a parallel bus of this sum. Choose a cue or an aux of its console that leaves by jacks or free outputs.`,
    );
  const cue = carrierChoices(context).find((choice) => sameValue(choice.carrier, carrier))?.taken;
  if (cue !== undefined)
    return refuse(
      `${name} carries the cue ${cue}. Choose another bus, or take the cue off it under Track, Cues.`,
    );
  if (parallelLines(context, desk, [{ kind: 'send', name, rows: [bus], feeds: [] }]).length > 0)
    return refuse(`${name} is a parallel bus already. Type other units in its row, or empty them to end it.`);
  const { sides } = outputs;
  const chain = readChain(context, { name, width: sides.length }, units);
  if (!chain.ok) return chain;
  const taken = new Set(sum.stems.flatMap(({ inputs }) => inputs ?? []));
  const own = sumInputs(context, sum).flatMap(({ number, strip }) =>
    strip !== undefined && taken.has(number) ? [strip.row] : [],
  );
  const returns = freeChannels(context, desk, new Set(own), sides.length);
  if (returns.length < sides.length)
    return refuse(
      `No ${sides.length === 1 ? 'channel' : 'two channels side by side'} of ${desk.device.name} ${sides.length === 1 ? 'is' : 'are'} free to bring it back. Free some, or bring it back by hand on another mixer.`,
    );
  return value({ name, desk, column, sides, chain: chain.value, returns });
}

function route(up: SettingUp, { name, desk, sides, chain, returns }: Planned): string | undefined {
  turnLoops(up, { chain });
  const { context, studio, place } = up.it;
  const ends = sides.flatMap(({ lane }, i) => {
    const key = returns[i]?.row.lineIn?.lane;
    const to = key && context.graph.lanes[laneAtOf(context, desk.device, key) ?? -1]?.id;
    return to === undefined ? [] : [{ from: lane, to }];
  });
  const own = sidesOfChain(context.graph, { chain }, sides.length);
  const lines = linesBetween(context, { name: `${name} parallel`, purpose: 'send' }, ends, own);
  up.make(addThreadsEdits(studio, place, lines));
  return standstill(up, lines);
}

/**
 * Sets a parallel bus up on a cue or an aux of the console: every channel of the sum sends to it behind its fader, panned
 * as in the mix; over the units it comes back on free channels, from low down.
 */
export function parallelBus(up: SettingUp, sum: Sum, wish: ParallelWish): void {
  const { context } = up.it;
  const plan = planned(context, sum, wish);
  if (!plan.ok) {
    up.leaveOut(sum.name, 'parallel bus', plan.sentence);
    return;
  }
  const { name, desk, column, sides, returns } = plan.value;
  const stems = new SumDesks(context, sum);
  const points = stemStands(context, sum).flatMap(({ inputs }) => stems.pointsOf(inputs));
  const cells = [
    ...busCells(context, wish.carrier, false),
    ...sides.flatMap((side) => side.cells),
    ...points.flatMap(({ row }) => sendCell(desk, row, column, sides.length > 1)),
    ...returnCells(returns, column),
  ];
  const isThere = up.attempt(() => {
    up.cells(desk.device.id, cells);
    const why = route(up, plan.value);
    if (why !== undefined) up.leaveOut(name, 'parallel bus', why);
    return why === undefined;
  });
  if (isThere) up.say(name, 'parallel bus', `back on ${returns.map((row) => row.name).join(' and ')}`);
}
