import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { EvidenceRow, LessonRow } from '../rows/learnt.entities.js';
import { MakeRow } from '../rows/make.entity.js';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { HandController } from './hand.controller.js';
import { HandService } from './hand.service.js';
import { SwatchRow } from '../rows/swatch.entity.js';

@Module({
  imports: [WorkshopModule, TypeOrmModule.forFeature([MakeRow, SwatchRow, LessonRow, EvidenceRow])],
  controllers: [HandController],
  providers: [HandService],
  exports: [HandService],
})
export class HandModule {}
