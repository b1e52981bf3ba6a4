import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { CurrentWorkshop } from './current-workshop.js';
import { WorkshopController } from './workshop.controller.js';
import { Workshop } from '../rows/workshop.entity.js';

@Module({
  imports: [TypeOrmModule.forFeature([Workshop])],
  controllers: [WorkshopController],
  providers: [CurrentWorkshop],
  exports: [CurrentWorkshop],
})
export class WorkshopModule {}
