import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { CuttingController } from './cutting.controller.js';
import { CuttingService } from './cutting.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [CuttingController],
  providers: [CuttingService],
})
export class CuttingModule {}
