import { createWriteStream } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { hostname } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { BackupPlanDto, BackupsView } from '@coiled-strand/contract';
import {
  HttpStatus,
  Inject,
  Injectable,
  Logger,
  type OnApplicationBootstrap,
} from '@nestjs/common';
import { DataSource } from 'typeorm';
import { AppError, notFound } from '../errors/app-error.js';
import { currentUser } from '../identity/identity.js';
import { DATABASE_URL } from '../live/listener.js';
import { Queue } from '../queue/queue.service.js';
import { BackupRow, MemberRow } from '../rows/people.entities.js';
import { Workshop } from '../rows/workshop.entity.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { USUAL_WEEK } from '../workshop/usual-week.js';
import { isDue } from './due.js';
import { backupStream } from './write-backup.js';

/** Folder of the backups that are made by the clock; null where there is none. */
export const FOLDER = Symbol('folder of the backups');

/** What is done until somebody says otherwise. */
const USUAL_PLAN: BackupPlanDto = { every: 'day', hour: 3, keep: 7 };

/** When it is looked whether one is due: every ten minutes. */
const LOOKS = '*/10 * * * *';

/** Backups that are made by the clock, one workshop in each file, on the disk of the machine that makes them. */
@Injectable()
export class BackupsService implements OnApplicationBootstrap {
  private readonly log = new Logger('Backups');

  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: Queue,
    private readonly workshop: CurrentWorkshop,
    @Inject(DATABASE_URL) private readonly url: string,
    @Inject(FOLDER) private readonly folder: string | null,
  ) {}

  async onApplicationBootstrap(): Promise<void> {
    // A server without a disk of its own for them leaves them to others.
    if (this.folder === null) return;
    await this.queue.work('backups-due', () => this.askForDue(new Date()));
    await this.queue.work('backup', ({ workshop }) => this.make(workshop));
    await this.queue.every(LOOKS, 'backups-due');
  }

  async view(): Promise<BackupsView> {
    const workshop = await this.workshop.get();
    const kept = await this.kept(workshop.id);
    return {
      plan: workshop.backup ?? USUAL_PLAN,
      folder: this.folder,
      kept: kept.map(({ id, createdAt, bytes, machine }) => ({
        id,
        madeAt: createdAt.toISOString(),
        bytes: Number(bytes),
        machine,
        here: machine === hostname(),
      })),
    };
  }

  async plan(plan: BackupPlanDto): Promise<BackupsView> {
    await this.workshop.planBackups(plan);
    return this.view();
  }

  /** One is made now, whatever the plan says. */
  async ask(): Promise<void> {
    if (this.folder === null) throw noFolder();
    const { workshopId } = currentUser();
    await this.queue.send(this.dataSource.manager, 'backup', { workshop: workshopId });
  }

  /** Where one lies. @throws AppError 404, 409 where it is on another machine */
  async fileOf(id: string): Promise<{ readonly path: string; readonly madeAt: Date }> {
    const { workshopId } = currentUser();
    const row = await this.dataSource.manager.findOneBy(BackupRow, { id, workshopId });
    if (!row) throw notFound('backup');
    const path = this.folder === null ? null : join(this.folder, row.file);
    const there = path !== null && (await stat(path).catch(() => null)) !== null;
    if (!there) throw elsewhere(row.machine);
    return { path, madeAt: row.createdAt };
  }

  private kept(workshopId: string): Promise<BackupRow[]> {
    return this.dataSource.manager.find(BackupRow, {
      where: { workshopId },
      order: { createdAt: 'DESC', id: 'DESC' },
    });
  }

  /** Puts a job into the queue for every workshop whose backup is due. */
  async askForDue(now: Date): Promise<void> {
    const { manager } = this.dataSource;
    for (const { id, backup, week, createdAt } of await manager.find(Workshop)) {
      const [last] = await this.kept(id);
      const plan = backup ?? USUAL_PLAN;
      const zone = (week ?? USUAL_WEEK).zone;
      // A workshop of today has nothing yet that would be missed.
      if (isDue(plan, last?.createdAt ?? createdAt, now, zone)) {
        await this.queue.send(manager, 'backup', { workshop: id });
      }
    }
  }

  /** Writes one, and takes away those that are more than are to be kept. */
  async make(id: string): Promise<void> {
    const { manager } = this.dataSource;
    const workshop = await manager.findOneBy(Workshop, { id });
    const owner = await manager.findOneBy(MemberRow, { workshopId: id, role: 'owner' });
    if (!workshop || !owner || this.folder === null) return;
    const madeAt = new Date();
    const file = join(id, `${madeAt.toISOString().replace(/[:.]/g, '-')}.gz`);
    await mkdir(join(this.folder, id), { recursive: true, mode: 0o700 });
    const path = join(this.folder, file);
    const scope = { of: 'workshop', id, owner: owner.personId } as const;
    const part = `${path}.part`;
    try {
      await pipeline(
        backupStream(this.url, scope, madeAt),
        createWriteStream(part, { mode: 0o600 }),
      );
      await onDisk(part);
      await rename(part, path);
    } catch (error) {
      await rm(part, { force: true });
      throw error;
    }
    const { size } = await stat(path);
    await this.dataSource.transaction(async (one) => {
      const machine = hostname();
      await one.insert(BackupRow, {
        workshopId: id,
        file,
        bytes: String(size),
        machine,
        createdAt: madeAt,
      });
      await writeAuditEntry(one, 'workshop.backed-up', { workshopId: id, personId: null });
    });
    await this.prune(id, (workshop.backup ?? USUAL_PLAN).keep);
    this.log.log(`Wrote ${path}, ${size} bytes`);
  }

  /** Of this machine alone: what lies on another is not this one’s to take away. */
  private async prune(id: string, keep: number): Promise<void> {
    const here = (await this.kept(id)).filter(({ machine }) => machine === hostname());
    for (const row of here.slice(keep)) {
      await rm(join(this.folder!, row.file), { force: true });
      await this.dataSource.manager.delete(BackupRow, { id: row.id });
    }
  }
}

/** A file that is named only when it would outlive the machine’s going out. */
async function onDisk(path: string): Promise<void> {
  const file = await open(path, 'r');
  try {
    await file.sync();
  } finally {
    await file.close();
  }
}

const noFolder = (): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'backup.no-folder',
    'This server has no folder for backups.',
    'Take one along with “Save everything in a file”, or start the server with BACKUPS set to a folder.',
  );

const elsewhere = (machine: string): AppError =>
  new AppError(
    HttpStatus.CONFLICT,
    'backup.elsewhere',
    `This backup lies on the disk of ${machine}, or was taken away there.`,
    'Look for it on that machine, or take a new one along with “Save everything in a file”.',
  );
