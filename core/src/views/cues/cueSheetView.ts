import { threadStatus } from '../../checks/threadStatus';
import type { ThreadStatus } from '../../checks/threadStatus';
import type { BusRow } from '../../consoles/cues/busRows';
import { BUS_ROWS, busText } from '../../consoles/cues/busRows';
import { cueCellText } from '../../consoles/cues/cueCell';
import { carrierGoneSentence, carrierText } from '../../consoles/cues/carrierText';
import type { CueColumn, CueMatrix, CueSource } from '../../cues/cueSources';
import { cueMatrix, sourceKey } from '../../cues/cueSources';
import { ears } from '../../cues/ear';
import type { CueId, DeviceId, ThreadId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { Cue } from '../../session/cueSchema';
import { cueSourceName } from '../../words/cueSourceNames';
import type { EarView } from './earView';
import { earView, heardNames } from './earView';
import { worstStatus } from './worstStatus';

/** A source as a row of the cue sheet. */
export interface CueRowView {
  readonly key: string;
  readonly name: string;
  readonly thread?: ThreadId;
  readonly track?: TrackId;
  readonly isClick: boolean;
  /** What stands in its cells, by cue; a cue that it cannot come to is left out. */
  readonly texts: Readonly<Record<string, string>>;
  /** Cues that can take it before the recorder and from its return. */
  readonly choosable: readonly CueId[];
}

/** A cue as a column. */
export interface CueView {
  readonly id: CueId;
  readonly number: number;
  readonly name: string;
  readonly carrier: string;
  /** Why its carrier is none, and what to do. */
  readonly trouble?: string;
  /** The device whose sheet its sends stand on. */
  readonly device?: DeviceId;
  readonly headphones: Cue['headphones'];
  /** The lines that bring it, and how far the worst of them has come; left out where none is needed. */
  readonly threads: readonly ThreadId[];
  readonly status?: ThreadStatus;
  readonly hasTalkback: boolean;
}

/** The cues of a scene: sources against cues, and every ear. */
export interface CueSheetView {
  readonly cues: readonly CueView[];
  readonly rows: readonly CueRowView[];
  /** What the bus of each cue has itself: master, mute, talkback. */
  readonly buses: readonly CueRowView[];
  readonly ears: readonly EarView[];
}

function isClick({ session }: WorkedScene, source: CueSource): boolean {
  if (source.kind === 'line') return session.threads.find(({ id }) => id === source.thread)?.click === true;
  return source.kind === 'track' && session.tracks.find(({ id }) => id === source.track)?.click === true;
}

function rowView(context: WorkedScene, { columns }: CueMatrix, source: CueSource): CueRowView {
  const key = sourceKey(source);
  const cells = columns.flatMap((column) => {
    const sends = column.sends.get(key) ?? [];
    return sends.length === 0 ? [] : [{ column, sends }];
  });
  return {
    ...{ key, name: cueSourceName(context, source), isClick: isClick(context, source) },
    ...(source.kind === 'line' && { thread: source.thread }),
    ...(source.kind === 'track' && { track: source.track }),
    texts: Object.fromEntries(
      cells.map(({ column, sends }) => [column.cue.id, cueCellText(sends, column, context.scene)]),
    ),
    choosable: cells
      .filter(({ sends }) => new Set(sends.map(({ comes }) => comes)).size > 1)
      .map(({ column }) => column.cue.id),
  };
}

const busRowView = ({ scene }: WorkedScene, { columns }: CueMatrix, row: BusRow): CueRowView => ({
  ...{ key: row.key, name: row.name, isClick: false, choosable: [] },
  texts: Object.fromEntries(
    columns.flatMap((column) => {
      const text = busText(column, row, scene);
      return text === undefined ? [] : [[column.cue.id, text]];
    }),
  ),
});

function cueView(context: WorkedScene, { cue, carrier }: CueColumn, all: readonly EarView[]): CueView {
  const lines = context.threads.filter(({ thread }) => thread.cue === cue.id);
  const status = worstStatus(lines.map((line) => threadStatus(line, context, [])));
  const own = all.filter((ear) => ear.cue === cue.id);
  return {
    ...{ id: cue.id, number: cue.number, name: cue.name, headphones: cue.headphones },
    carrier: carrierText(context, cue.carrier),
    ...(!carrier.ok && { trouble: carrierGoneSentence(carrier) }),
    ...(cue.carrier.on === 'console' && { device: cue.carrier.device }),
    threads: lines.map(({ thread }) => thread.id),
    ...(status !== undefined && { status }),
    hasTalkback: own.length > 0 && own.every(({ talkbackDbSpl }) => talkbackDbSpl !== undefined),
  };
}

/** The cue sheet of a scene with everything that is known of it. */
export function cueSheetView(context: WorkedScene): CueSheetView {
  const matrix = cueMatrix(context);
  const names = heardNames(context);
  const all = ears(context).flatMap((ear) => earView(context, matrix, names, ear) ?? []);
  return {
    cues: matrix.columns.map((column) => cueView(context, column, all)),
    rows: matrix.sources.map((source) => rowView(context, matrix, source)),
    buses: BUS_ROWS.map((row) => busRowView(context, matrix, row)).filter(
      ({ texts }) => Object.keys(texts).length > 0,
    ),
    ears: all,
  };
}
