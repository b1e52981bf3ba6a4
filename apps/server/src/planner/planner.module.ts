import { Module } from '@nestjs/common';
import { Planner } from './planner.service.js';

@Module({ providers: [Planner], exports: [Planner] })
export class PlannerModule {}
