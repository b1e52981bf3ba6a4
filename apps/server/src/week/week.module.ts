import { Module } from '@nestjs/common';
import { HandModule } from '../hand/hand.module.js';
import { MakesModule } from '../makes/makes.module.js';
import { PlannerModule } from '../planner/planner.module.js';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { JobsService } from './jobs.service.js';
import { WeekController } from './week.controller.js';

@Module({
  imports: [WorkshopModule, HandModule, PlannerModule, MakesModule],
  controllers: [WeekController],
  providers: [JobsService],
})
export class WeekModule {}
