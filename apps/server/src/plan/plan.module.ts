import { Module } from '@nestjs/common';
import { HandModule } from '../hand/hand.module.js';
import { PlannerModule } from '../planner/planner.module.js';
import { PieceSchemaController, PlanController } from './plan.controller.js';

@Module({
  imports: [HandModule, PlannerModule],
  controllers: [PlanController, PieceSchemaController],
})
export class PlanModule {}
