import type { CreationOptional, InferAttributes, InferCreationAttributes, Sequelize } from 'sequelize';
import { DataTypes, Model } from 'sequelize';

/** A studio: its rig and its floor as one document each, and the revision it stands at. */
export class StudioRow extends Model<InferAttributes<StudioRow>, InferCreationAttributes<StudioRow>> {
  declare id: string;
  declare name: string;
  declare revision: number;
  declare changedAt: string;
  declare rig: string;
  declare floor: string;
}

/** A session of a studio, as one document. */
export class SessionRow extends Model<InferAttributes<SessionRow>, InferCreationAttributes<SessionRow>> {
  declare studioId: string;
  declare id: string;
  declare name: string;
  declare document: string;
}

/** A line of a studio's history: the edits and what takes them back. */
export class EntryRow extends Model<InferAttributes<EntryRow>, InferCreationAttributes<EntryRow>> {
  declare studioId: string;
  declare revision: number;
  declare changeId: string;
  declare label: string;
  declare author: string;
  declare at: string;
  declare undoes: CreationOptional<number | null>;
  declare redoes: CreationOptional<number | null>;
  declare edits: string;
  declare inverse: string;
  /** The paired device it came from; null is this computer. */
  declare device: CreationOptional<string | null>;
}

/** A device that was paired. */
export class DeviceRow extends Model<InferAttributes<DeviceRow>, InferCreationAttributes<DeviceRow>> {
  declare id: string;
  declare name: string;
  declare role: string;
  declare pairedAt: string;
  declare seenAt: string | null;
  declare secretHash: string;
}

/** A setting of the program itself. */
export class SettingRow extends Model<InferAttributes<SettingRow>, InferCreationAttributes<SettingRow>> {
  declare key: string;
  declare value: string;
}

// Sequelize writes into the definitions it is given, so each column gets its own.
const id = () => ({ type: DataTypes.STRING(96), allowNull: false });
const key = () => ({ ...id(), primaryKey: true });
const text = () => ({ type: DataTypes.TEXT, allowNull: false });
const whole = () => ({ type: DataTypes.INTEGER, allowNull: false });
const maybeText = () => ({ type: DataTypes.TEXT, allowNull: true });
const maybeWhole = () => ({ type: DataTypes.INTEGER, allowNull: true });

/** Ties the models to a database. Columns are those of the migrations. */
export function defineModels(sequelize: Sequelize): void {
  const options = { sequelize, timestamps: false };
  StudioRow.init(
    { id: key(), name: text(), revision: whole(), changedAt: text(), rig: text(), floor: text() },
    { ...options, tableName: 'studios' },
  );
  SessionRow.init(
    { studioId: key(), id: key(), name: text(), document: text() },
    { ...options, tableName: 'sessions' },
  );
  EntryRow.init(
    {
      studioId: key(),
      revision: { ...whole(), primaryKey: true },
      changeId: id(),
      label: text(),
      author: id(),
      at: text(),
      undoes: maybeWhole(),
      redoes: maybeWhole(),
      edits: text(),
      inverse: text(),
      device: maybeText(),
    },
    { ...options, tableName: 'entries' },
  );
  DeviceRow.init(
    {
      ...{ id: key(), name: text(), role: text() },
      ...{ pairedAt: text(), seenAt: maybeText(), secretHash: text() },
    },
    { ...options, tableName: 'devices' },
  );
  SettingRow.init({ key: key(), value: text() }, { ...options, tableName: 'settings' });
}
