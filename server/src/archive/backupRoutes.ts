import { Router } from 'express';
import type { Backups as BackupsMessage, BackupContent } from '@ft/contract/status';
import { ApiFailure, notFound } from '../http/refusal';
import type { Backups } from '../database/backups';
import { backupTrouble } from '../database/backups';
import type { BackupSchedule } from '../database/backupSchedule';
import { dismissSetAside } from '../database/setAside';
import type { TabletStore } from '../network/tabletStore';
import { adopt } from '../studios/adoption';
import type { StudioKeeper } from '../studios/studioKeeper';
import type { LogStore } from '../takes/logStore';
import type { StudioStore } from '../studios/studioStore';
import { storesOf, wholeStudio, withBackup } from './wholeStudios';

interface Parts {
  readonly store: StudioStore;
  readonly tablets: TabletStore;
  readonly takeLog: LogStore;
  readonly keeper: StudioKeeper;
  readonly backups: Backups;
  readonly schedule: BackupSchedule;
  readonly folder: string;
  readonly now: () => string;
}

/** Backups: listed, made, looked into, and studios of them brought back beside those that are here. For this computer alone. */
// eslint-disable-next-line max-lines-per-function -- a table of routes
export function backupRoutes(parts: Parts): Router {
  const { backups, schedule, folder } = parts;
  const router = Router();
  const fileOf = (name: string): string => {
    const file = backups.fileOf(name);
    if (file === undefined) throw notFound('backup');
    return file;
  };
  const listed = async (): Promise<BackupsMessage> => ({
    backups: [...(await backups.list())],
    trouble: schedule.trouble,
  });
  router.get('/backups', async (_request, response) => {
    response.json(await listed());
  });
  router.post('/backups', async (_request, response) => {
    await schedule.make().catch((error: unknown) => {
      throw new ApiFailure(507, 'no-backup', backupTrouble(error));
    });
    response.status(201).json(await listed());
  });
  router.get('/backups/:name', async (request, response) => {
    const studios = await withBackup(fileOf(request.params.name), (database) =>
      storesOf(database).store.list(),
    );
    response.json({
      studios: studios.map(({ id, name, revision, changedAt }) => ({ id, name, revision, changedAt })),
    } satisfies BackupContent);
  });
  router.post('/backups/:name/studios/:id', async (request, response) => {
    const { name, id } = request.params;
    const studio = await withBackup(fileOf(name), (database) => wholeStudio(database, id));
    if (studio === undefined) throw notFound('studio');
    const adopted = await adopt(studio, `backup of ${name.slice(0, 10)}`, parts);
    response.status(201).json({ id: adopted });
  });
  router.delete('/set-aside', (_request, response) => {
    dismissSetAside(folder);
    response.status(204).end();
  });
  return router;
}
