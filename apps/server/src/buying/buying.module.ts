import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { BuyingController } from './buying.controller.js';
import { BuyingService } from './buying.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [BuyingController],
  providers: [BuyingService],
})
export class BuyingModule {}
