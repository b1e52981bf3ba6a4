import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { KitsController } from './kits.controller.js';
import { KitsService } from './kits.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [KitsController],
  providers: [KitsService],
})
export class KitsModule {}
