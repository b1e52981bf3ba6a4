import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import {
  BeadsController,
  CordsController,
  FittingsController,
  WearersController,
} from './stash.controllers.js';
import { StashService } from './stash.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [WearersController, CordsController, BeadsController, FittingsController],
  providers: [StashService],
})
export class StashModule {}
