import { existsSync, statSync } from 'node:fs';
import { statfs } from 'node:fs/promises';
import { Router } from 'express';
import type { Status } from '@ft/contract/status';
import type { Backups } from '../database/backups';
import type { BackupSchedule } from '../database/backupSchedule';
import { lastSetAside } from '../database/setAside';
import type { Windows } from '../events/windows';
import type { StudioStore } from '../studios/studioStore';

interface Parts {
  readonly store: StudioStore;
  readonly windows: Windows;
  readonly backups: Backups;
  readonly schedule: BackupSchedule;
  readonly folder: string;
  readonly file: string;
  readonly version: string;
  readonly startedAt: string;
}

const sizeOf = (file: string): number => (existsSync(file) ? statSync(file).size : 0);

/** How the program is: for whoever helps, on this computer or on a paired tablet. */
export function statusRoutes(parts: Parts): Router {
  const { store, windows, backups, schedule, folder, file, version, startedAt } = parts;
  const router = Router();
  router.get('/status', async (_request, response) => {
    const disk = await statfs(folder).catch(() => undefined);
    const [lastBackup = null] = await backups.list();
    response.json({
      ...{ version, startedAt, folder, lastBackup, windows: windows.count },
      freeBytes: disk === undefined ? null : disk.bavail * disk.bsize,
      dataBytes: sizeOf(file) + sizeOf(`${file}-wal`),
      studios: (await store.list()).length,
      backupTrouble: schedule.trouble,
      tablets: [...windows.tablets()],
      setAside: lastSetAside(folder),
    } satisfies Status);
  });
  return router;
}
