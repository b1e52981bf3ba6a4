import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { LotsController, MovementsController } from './lots.controller.js';
import { LotsService } from './lots.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [LotsController, MovementsController],
  providers: [LotsService],
})
export class LotsModule {}
