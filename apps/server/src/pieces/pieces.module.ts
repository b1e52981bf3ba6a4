import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { MakeRow } from '../rows/make.entity.js';
import { MakesModule } from '../makes/makes.module.js';
import { PlannerModule } from '../planner/planner.module.js';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { PieceRow } from '../rows/piece.entity.js';
import { PiecesController } from './pieces.controller.js';
import { PiecesService } from './pieces.service.js';
import { TagsController } from './tags.controller.js';
import { TagsService } from './tags.service.js';
import { VersionsController } from './versions.controller.js';
import { VersionsService } from './versions.service.js';

@Module({
  imports: [
    WorkshopModule,
    MakesModule,
    PlannerModule,
    TypeOrmModule.forFeature([PieceRow, MakeRow]),
  ],
  controllers: [PiecesController, VersionsController, TagsController],
  providers: [PiecesService, VersionsService, TagsService],
})
export class PiecesModule {}
