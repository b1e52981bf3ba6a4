import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { HandModule } from '../hand/hand.module.js';
import { PieceRow } from '../rows/piece.entity.js';
import { PlannerModule } from '../planner/planner.module.js';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { MakeRow } from '../rows/make.entity.js';
import { MakesController } from './makes.controller.js';
import { MakesService } from './makes.service.js';
import { PhotoRow } from '../rows/photo.entity.js';
import { PhotosController } from './photos.controller.js';
import { Thumbnails } from './thumbnails.js';
import { PhotosService } from './photos.service.js';

@Module({
  imports: [
    WorkshopModule,
    HandModule,
    PlannerModule,
    TypeOrmModule.forFeature([MakeRow, PhotoRow, PieceRow]),
  ],
  controllers: [MakesController, PhotosController],
  providers: [MakesService, PhotosService, Thumbnails],
  exports: [MakesService],
})
export class MakesModule {}
