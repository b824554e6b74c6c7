import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
} from 'sequelize';
import { DataTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';

type Row<M extends Model> = Model<InferAttributes<M>, InferCreationAttributes<M>>;

/** A studio: its rig and its floor as one document each, and the revision it stands at. */
export interface StudioRow extends Row<StudioRow> {
  id: string;
  /** Told apart from another studio that had the same id before it, or will have it. */
  incarnation: string;
  name: string;
  revision: number;
  changedAt: string;
  rig: string;
  floor: string;
}

/** A session of a studio, as one document. */
export interface SessionRow extends Row<SessionRow> {
  studioId: string;
  id: string;
  name: string;
  document: string;
}

/** Where a history line stands in its author's stack: what undo or redo would take next is the last of each. */
export type StackMark = 'done' | 'undone';

/** A line of a studio's history: the edits and what takes them back. */
export interface EntryRow extends Row<EntryRow> {
  studioId: string;
  revision: number;
  changeId: string;
  label: string;
  author: string;
  at: string;
  undoes: CreationOptional<number | null>;
  redoes: CreationOptional<number | null>;
  edits: string;
  inverse: string;
  editCount: number;
  /** The paired tablet it came from, by id; null is this computer. */
  tablet: CreationOptional<string | null>;
  stack: CreationOptional<StackMark | null>;
}

/** A tablet that was paired. One that was revoked stays, since the history refers to it; its secret goes. */
export interface TabletRow extends Row<TabletRow> {
  id: string;
  name: string;
  role: string;
  pairedAt: string;
  seenAt: string | null;
  secretHash: string;
  revokedAt: CreationOptional<string | null>;
}

/** A setting of the program itself. */
export interface SettingRow extends Row<SettingRow> {
  key: string;
  value: string;
}

/** A file kept beside the documents, by what is in it. */
export interface FileRow extends Row<FileRow> {
  /** SHA-256, hex. */
  hash: string;
  bytes: number;
  mediaType: string;
  storedAt: string;
}

/** What a studio uses a file for. A file that nothing uses is swept out. */
export interface FileUseRow extends Row<FileUseRow> {
  studioId: string;
  hash: string;
  purpose: string;
}

/** When a session was last opened in any window. */
export interface OpeningRow extends Row<OpeningRow> {
  studioId: string;
  sessionId: string;
  at: string;
}

/** A take, a note or a punch. What is asked for stands in columns; the row itself is its body. */
export interface LogRowRow extends Row<LogRowRow> {
  studioId: string;
  id: string;
  sessionId: string;
  kind: string;
  /** Of a note or punch, its take. */
  take: CreationOptional<string | null>;
  counterS: CreationOptional<number | null>;
  /** Its place in the order in which the log of the studio was written last. */
  seq: number;
  body: string;
}

export interface Models {
  readonly studios: ModelStatic<StudioRow>;
  readonly sessions: ModelStatic<SessionRow>;
  readonly entries: ModelStatic<EntryRow>;
  readonly tablets: ModelStatic<TabletRow>;
  readonly settings: ModelStatic<SettingRow>;
  readonly files: ModelStatic<FileRow>;
  readonly fileUses: ModelStatic<FileUseRow>;
  readonly openings: ModelStatic<OpeningRow>;
  readonly logRows: ModelStatic<LogRowRow>;
}

// Sequelize writes into the definitions it is given, so each column gets its own.
const id = () => ({ type: DataTypes.STRING(96), allowNull: false });
const key = () => ({ ...id(), primaryKey: true });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const maybeText = () => ({ type: DataTypes.TEXT, allowNull: true });
const maybeWhole = () => ({ type: DataTypes.INTEGER, allowNull: true });

/** The models of one data base. Columns are those of the migrations. */
export function modelsOf(sequelize: Sequelize): Models {
  const table = (tableName: string) => ({ tableName, timestamps: false });
  const studio = {
    ...{ id: key(), incarnation: id(), name: text(), revision: whole() },
    ...{ changedAt: text(), rig: text(), floor: text() },
  };
  const entry = {
    ...{ studioId: key(), revision: { ...whole(), primaryKey: true }, changeId: id(), label: text() },
    ...{ author: id(), at: text(), undoes: maybeWhole(), redoes: maybeWhole() },
    ...{ edits: text(), inverse: text(), editCount: whole(), tablet: maybeText(), stack: maybeText() },
  };
  const tablet = {
    ...{ id: key(), name: text(), role: text(), pairedAt: text(), seenAt: maybeText() },
    ...{ secretHash: text(), revokedAt: maybeText() },
  };
  const file = { hash: key(), bytes: whole(), mediaType: text(), storedAt: text() };
  const session = { studioId: key(), id: key(), name: text(), document: text() };
  const fileUse = { studioId: key(), hash: key(), purpose: key() };
  const logRow = {
    ...{ studioId: key(), id: key(), sessionId: id(), kind: id(), take: maybeText() },
    ...{ counterS: { type: DataTypes.REAL, allowNull: true }, seq: whole(), body: text() },
  };
  const opening = { studioId: key(), sessionId: key(), at: text() };
  return {
    studios: sequelize.define<StudioRow>('studio', studio, table('studios')),
    sessions: sequelize.define<SessionRow>('session', session, table('sessions')),
    entries: sequelize.define<EntryRow>('entry', entry, table('entries')),
    tablets: sequelize.define<TabletRow>('tablet', tablet, table('tablets')),
    settings: sequelize.define<SettingRow>('setting', { key: key(), value: text() }, table('settings')),
    files: sequelize.define<FileRow>('file', file, table('files')),
    fileUses: sequelize.define<FileUseRow>('fileUse', fileUse, table('fileUses')),
    openings: sequelize.define<OpeningRow>('opening', opening, table('openings')),
    logRows: sequelize.define<LogRowRow>('logRow', logRow, table('logRows')),
  };
}
