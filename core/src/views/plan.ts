import type { WorkedScene, PlannedThread } from '../scene/workedScene';
import { workedScene } from '../scene/workedScene';
import { workedSceneAfter } from '../scene/workedSceneAfter';
import { namingOf } from '../words/naming';
import { threadName } from '../session/threadName';
import { withWays } from '../scene/nearestWays';
import type { CheckReport, ReportedFinding } from '../checks/runChecks';
import { runChecks } from '../checks/runChecks';
import type { GraphStation, SignalGraph } from '../graph/signalGraph';
import type { PinRole } from '../rig/deviceModel';
import { STATION_ROLES } from '../rig/deviceModel';
import type { StationId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { stationOfRole } from '../routing/realise';
import type { Floor } from '../session/floorSchema';
import type { Scene, Session, Thread, Waiver } from '../session/sessionSchema';
import type { PlaybackBanner } from './playback/playbackBanner';
import { playbackBanner } from './playback/playbackBanner';
import type { FindingView } from './findingView';
import { findingView } from './findingView';
import type { SettingCell } from './settingCells';
import { settingCells } from './settingCells';
import type { ThreadStatus } from '../checks/threadStatus';
import { sourceName } from '../words/sourceNames';
import { threadStatus } from '../checks/threadStatus';

/** A station in a cell of the input list. */
export interface StationCell {
  readonly id: StationId;
  readonly name: string;
  /** What is enough under the heading of the column: the number, where all its stations are of one device. */
  readonly brief?: string;
  readonly pinned: boolean;
  /** False where the cell shows a pin or insert that the thread does not actually pass. */
  readonly passed: boolean;
}

/** One line of the input list, worked out. */
export interface PlanRow {
  readonly thread: Thread;
  readonly name: string;
  readonly sourceName: string;
  readonly status: ThreadStatus;
  readonly cells: Readonly<Partial<Record<PinRole, StationCell>>>;
  readonly inserts: readonly StationCell[];
  /** Re-amp boxes, DI boxes and preamps the router put in so that the levels fit. */
  readonly added: readonly string[];
  /** The line it is a side of, by its number, and which side. */
  readonly side?: { readonly of: number; readonly place: number };
  readonly settings: { readonly gainDb?: SettingCell; readonly phantom?: SettingCell };
  readonly cordCount: number;
  /** Keys of the findings on this thread that are not waived. */
  readonly findings: readonly string[];
}

/** Everything the screens show of a scene. Plain data: it crosses from worker to window. */
export interface Plan {
  readonly rows: readonly PlanRow[];
  readonly findings: readonly FindingView[];
  readonly idleWaivers: readonly Waiver[];
  readonly failedRules: CheckReport['failedRules'];
  /** Said on every screen while a recorder plays into a console. */
  readonly playback?: PlaybackBanner;
}

/** Gain and 48 V of the preamp a thread passes. */
export function preampSettings(context: WorkedScene, planned: PlannedThread): PlanRow['settings'] {
  const preamp = stationOfRole(planned, 'preamp');
  const cells = preamp === undefined ? [] : settingCells(context, preamp);
  const named = (setting: string): SettingCell | undefined =>
    cells.find(({ spec }) => spec.setting === setting);
  const [gainDb, phantom] = [named('gainDb'), named('phantom')];
  return { ...(gainDb && { gainDb }), ...(phantom && { phantom }) };
}

/** Whether the number of a DAW input says which one it is: the rig has one host. */
const hasOneHost = ({ stations }: SignalGraph): boolean =>
  new Set(stations.filter(({ role }) => role === 'daw-input').map(({ device }) => device)).size === 1;

function cellsOf(context: WorkedScene, planned: PlannedThread, oneHost: boolean): PlanRow['cells'] {
  const { graph } = context;
  const { pins } = planned.thread;
  const cells: Partial<Record<PinRole, StationCell>> = {};
  for (const role of STATION_ROLES) {
    if (role === 'processor') continue;
    const station = stationOfRole(planned, role);
    const pin = pins[role];
    const shown = pin === undefined ? station : graph.stations[graph.stationIndex.get(pin) ?? -1];
    if (shown === undefined) continue;
    cells[role] = {
      id: shown.id,
      name: shown.name,
      ...(oneHost && role === 'daw-input' && { brief: String(shown.channel) }),
      pinned: pin !== undefined,
      passed: station?.id === shown.id,
    };
  }
  return cells;
}

function insertsOf({ graph }: WorkedScene, planned: PlannedThread): readonly StationCell[] {
  return planned.thread.inserts.map((id) => ({
    id,
    name: graph.stations[graph.stationIndex.get(id) ?? -1]?.name ?? id,
    pinned: true,
    passed: planned.stations.some((station) => station.id === id),
  }));
}

const CONVERTING: ReadonlySet<string> = new Set(['re-amp', 'di']);

/** What stands in a thread only to make the level fit: on an insert or a feed, a preamp nobody asked for too. */
function addedTo({ thread, stations }: PlannedThread): readonly string[] {
  const isAdded = ({ role, id }: GraphStation): boolean =>
    CONVERTING.has(role) ||
    (role === 'preamp' && thread.purpose !== 'input' && !Object.values(thread.pins).includes(id));
  return stations.filter(isAdded).map(({ name }) => name);
}

function sideOf({ session }: WorkedScene, { link }: Thread): Pick<PlanRow, 'side'> {
  const lead = session.threads.find(({ id }) => id === link?.lead);
  return lead === undefined || link === undefined ? {} : { side: { of: lead.number, place: link.place } };
}

function rowOf(
  context: WorkedScene,
  own: readonly ReportedFinding[],
  planned: PlannedThread,
  oneHost: boolean,
): PlanRow {
  const { thread } = planned;
  return {
    thread,
    name: threadName(thread),
    sourceName: sourceName(context.graph, planned.start) ?? thread.from,
    status: threadStatus(planned, context, own),
    cells: cellsOf(context, planned, oneHost),
    inserts: insertsOf(context, planned),
    added: addedTo(planned),
    ...sideOf(context, thread),
    settings: preampSettings(context, planned),
    cordCount: planned.path.filter((edge) => edge.cord !== undefined).length,
    findings: own.filter(({ waiver }) => waiver === undefined).map(({ key }) => key),
  };
}

/** Findings by the threads they are about. */
function findingsByThread({ findings }: CheckReport): ReadonlyMap<string, readonly ReportedFinding[]> {
  const byThread = new Map<string, ReportedFinding[]>();
  for (const reported of findings)
    for (const { kind, id } of reported.finding.at) {
      if (kind !== 'thread') continue;
      const own = byThread.get(id);
      if (own === undefined) byThread.set(id, [reported]);
      else own.push(reported);
    }
  return byThread;
}

/** What the screens show of a context that has been worked out. */
export function planFrom(context: WorkedScene): Plan {
  const { rig, session, graph } = context;
  const report = runChecks(context);
  const byThread = findingsByThread(report);
  const naming = namingOf(rig, session, graph);
  const oneHost = hasOneHost(graph);
  const playback = playbackBanner(context);
  return {
    rows: context.threads.map((planned) =>
      rowOf(context, byThread.get(planned.thread.id) ?? [], planned, oneHost),
    ),
    findings: report.findings.map((reported) => findingView(reported, naming)),
    idleWaivers: report.idleWaivers,
    failedRules: report.failedRules,
    ...(playback !== undefined && { playback }),
  };
}

/**
 * Works out a scene: rows, findings in words, waivers. Runs the pipeline once.
 * @param before the context of the scene before a change, from which what is untouched is taken over.
 */
export function planOf(
  rig: Rig,
  session: Session,
  scene: Scene,
  floor?: Floor,
  before?: WorkedScene,
): { readonly plan: Plan; readonly context: WorkedScene } {
  const context = withWays(
    before === undefined
      ? workedScene(rig, session, scene, floor)
      : workedSceneAfter(before, rig, session, scene, floor),
  );
  return { context, plan: planFrom(context) };
}
