import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { KnotsController } from './knots.controller.js';
import { KnotsService } from './knots.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [KnotsController],
  providers: [KnotsService],
})
export class KnotsModule {}
