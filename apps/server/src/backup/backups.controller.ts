import { createReadStream } from 'node:fs';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import {
  BackupPlanDto,
  RestoreQueryDto,
  type BackupLookView,
  type BackupsView,
  type RestoredView,
} from '@coiled-strand/contract';
import {
  Body,
  Controller,
  Get,
  HttpCode,
  HttpStatus,
  Inject,
  Param,
  Post,
  Put,
  Query,
  Req,
  Res,
} from '@nestjs/common';
import { ApiConsumes, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { DataSource } from 'typeorm';
import { refuseSetUp } from '../accounts/accounts.service.js';
import { AppError } from '../errors/app-error.js';
import { uuid } from '../http/uuid.pipe.js';
import { Roles } from '../identity/roles.js';
import { currentUser } from '../identity/identity.js';
import { DATABASE_URL } from '../live/listener.js';
import { wantThumbs } from '../makes/thumbnails.js';
import { bodyOf, queryOf } from '../openapi/body-of.js';
import { Queue } from '../queue/queue.service.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { BackupsService } from './backups.service.js';
import { readBackup, type Looked } from './format.js';
import { restoreAll, restoreWorkshop } from './restore.js';
import { withUpload } from './take-in.js';
import { backupStream } from './write-backup.js';

const TYPE = 'application/gzip';

/** Such as `thistledown-bench-2026-11-26.gz`. */
const fileName = (workshop: string, madeAt: Date): string =>
  `${workshop
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '')}-${madeAt.toISOString().slice(0, 10)}.gz`;

const look = ({ header, sha256 }: Looked): BackupLookView => ({
  sha256,
  madeAt: header.madeAt,
  workshop: header.workshops.join(', '),
  counts: Object.fromEntries(header.tables.map(({ name, rows }) => [name, rows])),
});

const notAsked = (): AppError =>
  new AppError(
    HttpStatus.PRECONDITION_REQUIRED,
    'restore.unasked',
    'Nothing says that this very backup is to take the place of what is here.',
    'Send it to /api/backups/look first, and the sha256 that it answers as replace.',
  );

@ApiTags('backups')
@Controller()
export class BackupsController {
  constructor(
    private readonly backups: BackupsService,
    private readonly workshop: CurrentWorkshop,
    private readonly dataSource: DataSource,
    private readonly queue: Queue,
    @Inject(DATABASE_URL) private readonly url: string,
  ) {}

  @Roles('owner')
  @Get('backups')
  @ApiOperation({ summary: 'When backups are made, and those that are kept' })
  list(): Promise<BackupsView> {
    return this.backups.view();
  }

  @Roles('owner')
  @Put('backups/plan')
  @ApiOperation({ summary: 'When backups are made, and how many are kept' })
  @bodyOf(BackupPlanDto)
  plan(@Body() plan: BackupPlanDto): Promise<BackupsView> {
    return this.backups.plan(plan);
  }

  @Roles('owner')
  @Post('backups')
  @HttpCode(202)
  @ApiOperation({ summary: 'Make one now, to be kept with the others' })
  make(): Promise<void> {
    return this.backups.ask();
  }

  @Roles('owner')
  @Get('backups/file')
  @ApiOperation({ summary: 'The whole workshop as a file, as of now' })
  async file(@Res() response: Response): Promise<void> {
    const { workshopId, personId } = currentUser();
    const { name } = await this.workshop.get();
    await writeAuditEntry(this.dataSource.manager, 'workshop.backed-up');
    const madeAt = new Date();
    const scope = { of: 'workshop', id: workshopId, owner: personId } as const;
    const begin = () => backupStream(this.url, scope, madeAt);
    await sent(fileName(name, madeAt), begin, response);
  }

  @Roles('owner')
  @Post('backups/look')
  @HttpCode(200)
  @ApiConsumes(TYPE)
  @ApiOperation({ summary: 'What a backup holds; 422 where it is not whole' })
  look(@Req() request: Request): Promise<BackupLookView> {
    return withUpload(request, async (file) => look(await readBackup(file)));
  }

  @Roles('owner')
  @Post('backups/restore')
  @HttpCode(200)
  @ApiConsumes(TYPE)
  @ApiOperation({ summary: 'Put a backup in the place of this workshop, wholly or not at all' })
  @queryOf(RestoreQueryDto)
  restore(@Req() request: Request, @Query() { replace }: RestoreQueryDto): Promise<RestoredView> {
    const identity = currentUser();
    return withUpload(request, async (file) => {
      const { sha256 } = await readBackup(file);
      if (replace !== sha256) throw notAsked();
      const restored = await restoreWorkshop(this.url, file, identity);
      await wantThumbs(this.dataSource.manager, this.queue);
      return restored;
    });
  }

  /** On a new machine: what was there before is all there is, and its accounts are those that sign in. */
  @Roles('anyone')
  @Post('set-up/restore')
  @HttpCode(200)
  @ApiConsumes(TYPE)
  @ApiOperation({ summary: 'Begin an empty installation with a backup; 409 where it is not empty' })
  async begin(@Req() request: Request): Promise<RestoredView> {
    await refuseSetUp(this.dataSource.manager);
    return withUpload(request, async (file) => {
      const restored = await restoreAll(this.url, file, refuseSetUp);
      await wantThumbs(this.dataSource.manager, this.queue);
      return restored;
    });
  }

  @Roles('owner')
  @Get('backups/:id')
  @ApiOperation({ summary: 'One of those that are kept' })
  async kept(@Param('id', uuid('backup')) id: string, @Res() response: Response): Promise<void> {
    const { path, madeAt } = await this.backups.fileOf(id);
    const { name } = await this.workshop.get();
    await sent(fileName(name, madeAt), () => createReadStream(path), response);
  }
}

function named(response: Response, name: string): void {
  response.setHeader('Content-Type', TYPE);
  response.setHeader('Cache-Control', 'no-store');
  response.setHeader(
    'Content-Disposition',
    `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
  );
}

/** A download of which nothing was taken for so long, in ms, is given up: it holds a transaction open. */
export const PATIENCE = { ms: 30_000 };
/** So many are written at once; each takes a connection of its own. */
const AT_ONCE = 3;
let under = 0;

const tooMany = (): AppError =>
  new AppError(
    HttpStatus.SERVICE_UNAVAILABLE,
    'backups.busy',
    'Some backups are being taken just now.',
    'Try again when they are through.',
    { retryAfter: 30 },
  );

/**
 * Sends a file that is begun when its turn has come. What breaks off on its way is broken off: whoever takes it must not
 * think that it is whole.
 */
async function sent(name: string, begin: () => Readable, response: Response): Promise<void> {
  if (under >= AT_ONCE) throw tooMany();
  under++;
  named(response, name);
  let taken = 0;
  // Bytes that the other side took: what lies in between was taken by nobody.
  const outgoing = (): number =>
    (response.socket?.bytesWritten ?? 0) - (response.socket?.writableLength ?? 0);
  const watch = setInterval(() => {
    const now = outgoing();
    if (now === taken) response.destroy();
    taken = now;
  }, PATIENCE.ms);
  try {
    await pipeline(begin(), response);
  } catch (error) {
    if (!response.headersSent) throw error;
    response.destroy();
  } finally {
    clearInterval(watch);
    under--;
  }
}
