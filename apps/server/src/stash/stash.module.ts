import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { STASH_CONTROLLERS } from './stash.controllers.js';
import { StashService } from './stash.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: STASH_CONTROLLERS,
  providers: [StashService],
})
export class StashModule {}
