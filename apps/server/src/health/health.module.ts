import { statfs } from 'node:fs/promises';
import { VERSION } from '@coiled-strand/contract';
import { Controller, Get, Module, type DynamicModule } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Roles } from '../identity/roles.js';
import { Listener } from '../live/listener.js';
import { databaseAway, diskFull } from '../errors/app-error.js';

/** Free bytes on the disk of the data below which it is said that it runs low, and that it is full. */
const LOW = 500_000_000;
const FULL = 20_000_000;

export interface Health {
  readonly status: 'ok';
  /** Of the program. */
  readonly version: string;
  readonly database: 'ok';
  /** null where the data lie on another machine. */
  readonly disk: { readonly state: 'ok' | 'low'; readonly free: number } | null;
}

/** Folder of the data. */
class Disk {
  constructor(readonly folder: string | null) {}
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(
    private readonly dataSource: DataSource,
    private readonly disk: Disk,
    private readonly listener: Listener,
  ) {}

  /** Whoever keeps the process running asks this: it does not help to end it when the database is away. */
  @Roles('unasked')
  @Get('alive')
  @ApiOperation({ summary: 'Whether the process answers at all' })
  alive(): { readonly status: 'alive' } {
    return { status: 'alive' };
  }

  /** Whoever hands requests on asks this. */
  @Roles('unasked')
  @Get('ready')
  @ApiOperation({
    summary: 'Whether requests can be sent here: 503 while the database is away or not listened to',
  })
  async ready(): Promise<Health> {
    const health = await this.health();
    if (!this.listener.listens) throw databaseAway();
    return health;
  }

  @Roles('unasked')
  @Get()
  @ApiOperation({ summary: 'Whether the server and its database answer, and have room to write' })
  async health(): Promise<Health> {
    // A database without room may be away for that: this is said first.
    const { folder } = this.disk;
    const disk = folder === null ? null : await roomIn(folder);
    await this.dataSource.query('select 1');
    return { status: 'ok', version: VERSION, database: 'ok', disk };
  }
}

/** @throws AppError 507 where there is none */
async function roomIn(folder: string): Promise<NonNullable<Health['disk']>> {
  const { bavail, bsize } = await statfs(folder);
  const free = bavail * bsize;
  if (free < FULL) throw diskFull();
  return { state: free < LOW ? 'low' : 'ok', free };
}

@Module({})
export class HealthModule {
  static of(folder: string | null): DynamicModule {
    return {
      module: HealthModule,
      controllers: [HealthController],
      providers: [{ provide: Disk, useValue: new Disk(folder) }],
    };
  }
}
