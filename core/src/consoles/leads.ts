import { copperEnds } from '../graph/copperEnds';
import type { Lane } from '../graph/signalGraph';
import { edgesFrom } from '../graph/walk';
import type { WorkedScene } from '../scene/workedScene';
import type { Desk, DeskRow } from './desk';
import { laneAtOf } from './desk';

const MOST_NAMED = 3;

/** Names with how many more there are. */
const named = (names: readonly string[]): string => {
  const [shown, more] = [names.slice(0, MOST_NAMED), names.length - MOST_NAMED];
  return more > 0 ? `${shown.join(', ')} and ${String(more)} more` : shown.join(', ');
};

/** Rows of sections that are buses: what they lead to is worth a name, and what passes them is theirs, not the channel's. */
const BUSES = new Set(['groups', 'auxes', 'matrices', 'mix', 'mixes']);

/** The outputs of the device itself that a bus is patched to, without passing another row of the sheet. */
function ownOutputs({ graph }: WorkedScene, desk: Desk, start: number): readonly string[] {
  const rows = new Set(
    desk.rows.flatMap(({ lane, section }) => (lane !== undefined && BUSES.has(section) ? [lane] : [])),
  );
  const reached = new Set([start]);
  const outputs: string[] = [];
  for (const lane of reached)
    for (const { to } of edgesFrom(graph, lane)) {
      const there = graph.lanes[to];
      if (there?.device !== desk.device.id || rows.has(to) || reached.has(to)) continue;
      if (there.face === 'inside') reached.add(to);
      else outputs.push(there.name.replace(`${desk.device.name} `, ''));
    }
  return outputs;
}

/** Where a row leads physically: what hangs on its connectors, or the outputs a bus is patched to. */
export function leadsOf(context: WorkedScene, desk: Desk, { row, lane, section }: DeskRow): string {
  if (row.leaves !== undefined) {
    const ends = row.leaves.flatMap((key) => {
      const at = laneAtOf(context, desk.device, key);
      return at === undefined ? [] : copperEnds(context.graph, at).to;
    });
    return named([...new Set(ends.map(({ name }) => name))]);
  }
  return lane === undefined || !BUSES.has(section) ? '' : named(ownOutputs(context, desk, lane));
}

/** The unit that hangs on the insert point of a row, by name; with what is missing where only one side is plugged. */
export function insertedUnit(context: WorkedScene, { insert }: DeskRow): string {
  if (insert === undefined) return '';
  const { device, jacks } = insert;
  // Where a normal leads the send back to its own return, nothing hangs there.
  const others = (lanes: readonly Lane[]): readonly string[] =>
    lanes.flatMap((lane) =>
      lane.device === device.id ? [] : (context.devices.get(lane.device)?.name ?? []),
    );
  const [send, back] = [laneAtOf(context, device, jacks.send), laneAtOf(context, device, jacks.back)];
  const [into] = others(send === undefined ? [] : copperEnds(context.graph, send).to);
  const [from] = others(back === undefined ? [] : copperEnds(context.graph, back).from);
  if (into === undefined) return from === undefined ? '' : `${from}, nothing is sent`;
  if (from === undefined) return `${into}, nothing comes back`;
  return into === from ? into : `${into} … ${from}`;
}
