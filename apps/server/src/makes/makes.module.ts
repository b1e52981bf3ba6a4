import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { PieceRow } from '../pieces/piece.entity.js';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { MakeRow } from './make.entity.js';
import { MakesController } from './makes.controller.js';
import { MakesService } from './makes.service.js';

@Module({
  imports: [WorkshopModule, TypeOrmModule.forFeature([MakeRow, PieceRow])],
  controllers: [MakesController],
  providers: [MakesService],
  exports: [MakesService],
})
export class MakesModule {}
