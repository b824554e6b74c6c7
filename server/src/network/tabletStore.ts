import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import type { Tablet, TabletRole } from '@ft/contract/sharing';
import type { TabletRow } from '../database/models';
import type { Database } from '../database/openDatabase';

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

const paired = ({ id, name, role, pairedAt, seenAt }: TabletRow): Tablet => ({
  ...{ id, name, pairedAt, seenAt },
  role: role === 'edit' ? 'edit' : 'tick',
});

/** Seen again within this time is not written: a tablet asks several times a second. */
const SEEN_EVERY_MS = 60_000;

const IS_OPEN = 'sharing.isOpen';

/** A tablet as it was let in, and what it shows from then on to be known. */
export interface LetIn {
  readonly name: string;
  readonly token: string;
}

/** Paired tablets and whether the program is open to the studio network. Secrets are kept only as hashes. */
export class TabletStore {
  constructor(private readonly database: Database) {}

  /** The tablets that are paired now. */
  async list(): Promise<readonly Tablet[]> {
    const rows = await this.database.models.tablets.findAll({
      where: { revokedAt: null },
      order: ['pairedAt', 'id'],
    });
    return rows.map(paired);
  }

  /** Keeps a new tablet. One of a name that is taken is counted: the history tells them apart. */
  async add(wanted: string, role: TabletRole, at: string): Promise<LetIn> {
    const [id, secret] = [randomUUID(), randomBytes(32).toString('base64url')];
    const name = await this.database.write(async (transaction) => {
      const own = await this.freeName(wanted, transaction);
      const row = { id, name: own, role, pairedAt: at, seenAt: at, secretHash: hashOf(secret) };
      await this.database.models.tablets.create(row, { transaction });
      return own;
    });
    return { name, token: `${id}.${secret}` };
  }

  /** The tablet that shows a token, or undefined. */
  async known(token: string, now: string): Promise<Tablet | undefined> {
    const [id = '', secret = ''] = token.split('.');
    const where = { id, secretHash: hashOf(secret), revokedAt: null };
    const row = await this.database.models.tablets.findOne({ where });
    if (row === null) return undefined;
    if (row.seenAt === null || Date.parse(now) - Date.parse(row.seenAt) > SEEN_EVERY_MS)
      await this.database.write((transaction) =>
        this.database.models.tablets.update({ seenAt: now }, { where: { id }, transaction }),
      );
    return paired(row);
  }

  async setRole(id: string, role: TabletRole): Promise<boolean> {
    const [count] = await this.database.write((transaction) =>
      this.database.models.tablets.update({ role }, { where: { id, revokedAt: null }, transaction }),
    );
    return count > 0;
  }

  /** Forgets what a tablet is known by. Its name stays, for the history. */
  async revoke(id: string, at: string): Promise<boolean> {
    const [count] = await this.database.write((transaction) =>
      this.database.models.tablets.update(
        { revokedAt: at, secretHash: '' },
        { where: { id, revokedAt: null }, transaction },
      ),
    );
    return count > 0;
  }

  /** Names of tablets that a history from elsewhere refers to; they are not let in by that. */
  async remember(
    tablets: readonly Pick<Tablet, 'id' | 'name' | 'pairedAt'>[],
    at: string,
    transaction: Transaction,
  ): Promise<void> {
    for (const { id, name, pairedAt } of tablets)
      await this.database.models.tablets.findOrCreate({
        where: { id },
        defaults: { id, name, role: 'tick', pairedAt, seenAt: null, secretHash: '', revokedAt: at },
        transaction,
      });
  }

  /** Tablets by id, revoked ones too. */
  async named(ids: readonly string[]): Promise<readonly Tablet[]> {
    return (await this.database.models.tablets.findAll({ where: { id: [...ids] } })).map(paired);
  }

  async isOpen(): Promise<boolean> {
    return (await this.database.models.settings.findByPk(IS_OPEN))?.value === 'yes';
  }

  async setOpen(isOpen: boolean): Promise<void> {
    await this.database.write((transaction) =>
      this.database.models.settings.upsert({ key: IS_OPEN, value: isOpen ? 'yes' : 'no' }, { transaction }),
    );
  }

  private async freeName(wanted: string, transaction: Transaction): Promise<string> {
    const rows = await this.database.models.tablets.findAll({
      where: { revokedAt: null },
      attributes: ['name'],
      transaction,
    });
    const taken = new Set(rows.map(({ name }) => name));
    let name = wanted;
    for (let n = 2; taken.has(name); n++) name = `${wanted.slice(0, 36)} ${String(n)}`;
    return name;
  }
}
