import { Module, type DynamicModule } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { BackupsController } from './backups.controller.js';
import { BackupsService, FOLDER } from './backups.service.js';

@Module({})
export class BackupModule {
  /** @param folder where those lie that are made by the clock; null for none */
  static of(folder: string | null): DynamicModule {
    return {
      module: BackupModule,
      imports: [WorkshopModule],
      controllers: [BackupsController],
      providers: [BackupsService, { provide: FOLDER, useValue: folder }],
    };
  }
}
