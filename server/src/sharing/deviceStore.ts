import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { DeviceRole, PairedDevice } from '@ft/contract/sharing';
import { DeviceRow, SettingRow } from '../models';

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

const paired = ({ id, name, role, pairedAt, seenAt }: DeviceRow): PairedDevice => ({
  ...{ id, name, pairedAt, seenAt },
  role: role === 'edit' ? 'edit' : 'tick',
});

/** Seen again within this time is not written: a device asks several times a second. */
const SEEN_EVERY_MS = 60_000;

const IS_OPEN = 'sharing.isOpen';

/** Paired devices and whether the program is open to the studio network. Secrets are kept only as hashes. */
export class DeviceStore {
  async list(): Promise<readonly PairedDevice[]> {
    return (await DeviceRow.findAll({ order: ['pairedAt', 'id'] })).map(paired);
  }

  /** Keeps a new device. @returns what it shows from then on to be known. */
  async add(name: string, role: DeviceRole, at: string): Promise<string> {
    const [id, secret] = [randomUUID(), randomBytes(32).toString('base64url')];
    await DeviceRow.create({ id, name, role, pairedAt: at, seenAt: at, secretHash: hashOf(secret) });
    return `${id}.${secret}`;
  }

  /** The device that shows a token, or undefined. */
  async known(token: string, now: string): Promise<PairedDevice | undefined> {
    const [id = '', secret = ''] = token.split('.');
    const row = await DeviceRow.findOne({ where: { id, secretHash: hashOf(secret) } });
    if (row === null) return undefined;
    if (row.seenAt === null || Date.parse(now) - Date.parse(row.seenAt) > SEEN_EVERY_MS)
      await row.update({ seenAt: now });
    return paired(row);
  }

  async setRole(id: string, role: DeviceRole): Promise<boolean> {
    const [count] = await DeviceRow.update({ role }, { where: { id } });
    return count > 0;
  }

  /** Forgets a device; it is unknown from then on. */
  async revoke(id: string): Promise<boolean> {
    return (await DeviceRow.destroy({ where: { id } })) > 0;
  }

  async isOpen(): Promise<boolean> {
    return (await SettingRow.findByPk(IS_OPEN))?.value === 'yes';
  }

  async setOpen(isOpen: boolean): Promise<void> {
    await SettingRow.upsert({ key: IS_OPEN, value: isOpen ? 'yes' : 'no' });
  }
}
