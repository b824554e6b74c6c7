import type { Backup } from '@ft/contract/status';
import type { Log } from '../log/log';
import type { Backups } from './backups';
import { backupTrouble } from './backups';

const DAY_MS = 24 * 3600 * 1000;
/** How often it is looked whether a day has passed: a computer may have slept. */
const LOOK_EVERY_MS = 10 * 60 * 1000;

/** Makes a backup every day the program runs, and remembers what kept the last one from being made. */
export class BackupSchedule {
  private timer: NodeJS.Timeout | undefined;
  private making: Promise<unknown> = Promise.resolve();
  trouble: string | null = null;

  constructor(
    private readonly backups: Backups,
    private readonly now: () => string,
    private readonly log: Log,
  ) {}

  start(): void {
    const look = (): void => {
      this.makeDaily().catch((error: unknown) => {
        this.log.trouble('backups cannot be looked at', error);
      });
    };
    look();
    this.timer = setInterval(look, LOOK_EVERY_MS).unref();
  }

  /** Makes one now, because somebody asked. Throws what kept it from being made. */
  async make(): Promise<Backup> {
    return this.inTurn(() => this.backups.make('asked', this.now()));
  }

  /** Makes today's, unless there is one that is not a day old. What keeps it from being made is remembered, not thrown. */
  async makeDaily(): Promise<void> {
    const [last] = await this.backups.list();
    if (last !== undefined && Date.parse(this.now()) - Date.parse(last.at) < DAY_MS) return;
    await this.inTurn(() => this.backups.make('daily', this.now())).catch(() => undefined);
  }

  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.making;
  }

  private inTurn(make: () => Promise<Backup>): Promise<Backup> {
    const mine = this.making.then(make).then(
      (backup) => {
        this.trouble = null;
        this.log.note('backup made', { kind: backup.kind, bytes: backup.bytes });
        return backup;
      },
      (error: unknown) => {
        this.trouble = backupTrouble(error);
        this.log.trouble('no backup', error);
        throw error;
      },
    );
    this.making = mine.catch(() => undefined);
    return mine;
  }
}
