import type { CellsEdits } from '../cellsEdits';
import type { Edit, FieldChange } from '../../edits/make';
import { editKnob, editSet, fieldRead } from '../../edits/make';
import { compile } from '../../graph/compile';
import type { SignalGraph } from '../../graph/signalGraph';
import type { PinRole } from '../../rig/deviceModel';
import type { ThreadId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { workedScene } from '../../scene/workedScene';
import type { ScenePlace } from '../../session/scenePlace';
import { findScene } from '../../session/scenePlace';
import type { Thread } from '../../session/sessionSchema';
import type { Studio } from '../../session/studioSchema';
import type { CellReading } from '../../text/cellReading';
import { all, parts, refuse, value } from '../../text/cellReading';
import type { LineFigure, LineText } from '../../typed/thread/lineText';
import { readLineText } from '../../typed/thread/lineText';
import { readOnOff, readSetting } from '../../typed/settingText';
import { preampSettings } from '../../views/plan';
import { partsOfSettingKey } from '../../rig/settings';
import { phantomHeldBack } from '../phantomHeldBack';
import { sourcesOf } from '../../views/track/choices';
import { after, decidesRoute, thenRoute } from './threadEdits';

const KNOBS = ['gainDb', 'phantom'] as const;
type Knob = (typeof KNOBS)[number];

/** What a cell of the input list holds: a field of its line, or a knob of the preamp it passes. */
export type LineField = LineText | LineFigure | Knob | 'from' | 'inserts' | `pins.${PinRole}`;

/** A text for a cell of the input list. */
export interface LineCell {
  readonly thread: ThreadId;
  readonly field: LineField;
  readonly text: string;
}

interface Named<I> {
  readonly id: I;
  readonly name: string;
}

/** The thing of that name, in any case of letters. */
function named<I>(things: readonly Named<I>[], text: string, what: string): CellReading<I> {
  const typed = text.trim().toLowerCase();
  const found = things.find(({ name }) => name.toLowerCase() === typed);
  return found === undefined ? refuse(`There is no ${what} “${text.trim()}” here.`) : value(found.id);
}

const isKnob = (field: LineField): field is Knob => (KNOBS as readonly string[]).includes(field);

const isPin = (field: LineField): field is `pins.${PinRole}` => field.startsWith('pins.');
const roleOf = (field: `pins.${PinRole}`): PinRole => field.slice('pins.'.length) as PinRole;

const valueOf = (thread: Thread, field: Exclude<LineField, Knob>): unknown =>
  isPin(field) ? thread.pins[roleOf(field)] : thread[field];

/** What a field of a line becomes by a text. */
function readField(
  graph: SignalGraph,
  thread: Thread,
  field: Exclude<LineField, Knob>,
  text: string,
): CellReading<unknown> {
  if (field === 'from') return named(sourcesOf(graph, thread), text, 'source');
  if (field === 'inserts') {
    const processors = graph.stations.filter(({ role }) => role === 'processor');
    return all(parts(text, /,/).map((name) => named(processors, name, 'processor')));
  }
  if (!isPin(field)) return readLineText(field, text);
  if (text.trim() === '') return value(null);
  const role = roleOf(field);
  const stations = graph.stations.filter((station) => station.role === role);
  return named(stations, text, role.replace('-', ' '));
}

/** A text for a knob of the preamp that a line passes. @param isMany whether others come with it. */
function knobEdits(
  context: WorkedScene,
  place: ScenePlace,
  { thread, field, text }: LineCell,
  isMany: boolean,
): CellReading<readonly Edit[]> {
  const planned = context.threads.find((each) => each.thread.id === thread);
  const cell = planned && preampSettings(context, planned)[field as Knob];
  if (cell === undefined) return refuse('This line has no preamp yet. Route it first.');
  const read = field === 'phantom' ? readOnOff(cell.spec.title, text) : readSetting(cell.spec, text);
  if (!read.ok) return read;
  const isSo = read.value === cell.value;
  if (field === 'phantom' && read.value === true && isMany && !isSo) {
    const { deviceId, ...knob } = partsOfSettingKey(cell.key);
    const heldBack = phantomHeldBack(context, deviceId, knob);
    if (heldBack !== undefined) return refuse(heldBack);
  }
  return value(isSo ? [] : [editKnob(place, { key: cell.key, value: read.value, was: cell.stored })]);
}

/**
 * Takes texts over into cells of the input list, as they were typed, pasted or filled: first the lines, then their
 * ways, then the knobs of the preamps they came to. What does not fit is left out and told; the rest is one change.
 */
export function lineCellsEdits(studio: Studio, place: ScenePlace, cells: readonly LineCell[]): CellsEdits {
  const found = findScene(studio, place);
  if (found === undefined) return { edits: [], refused: [] };
  const graph = compile(studio.rig, found.session, found.scene);
  const refused: { at: number; sentence: string }[] = [];
  const rerouted = new Set<ThreadId>();
  const fields = cells.flatMap(({ thread: id, field, text }, at): Edit[] => {
    const thread = found.session.threads.find((each) => each.id === id);
    if (thread === undefined || isKnob(field)) return [];
    const read = readField(graph, thread, field, text);
    if (!read.ok) {
      refused.push({ at, sentence: read.sentence });
      return [];
    }
    if (decidesRoute(field)) rerouted.add(id);
    const change: FieldChange<'thread'> = fieldRead('thread', field, read.value, valueOf(thread, field));
    return JSON.stringify(change.value) === JSON.stringify(change.was)
      ? []
      : [editSet('thread', { session: place.session }, id, change)];
  });
  const routed = rerouted.size === 0 ? fields : thenRoute(studio, place, fields, [...rerouted]);
  const next = after(studio, routed);
  const then = next && findScene(next, place);
  if (next === undefined || then === undefined || !cells.some(({ field }) => isKnob(field)))
    return { edits: routed, refused };
  const context = workedScene(next.rig, then.session, then.scene, next.floor);
  const knobs = cells.flatMap((cell, at): readonly Edit[] => {
    if (!isKnob(cell.field)) return [];
    const read = knobEdits(context, place, cell, cells.length > 1);
    if (read.ok) return read.value;
    refused.push({ at, sentence: read.sentence });
    return [];
  });
  return { edits: [...routed, ...knobs], refused: refused.sort((a, b) => a.at - b.at) };
}
