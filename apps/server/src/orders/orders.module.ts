import { Module } from '@nestjs/common';
import { WorkshopModule } from '../workshop/workshop.module.js';
import { OrdersController } from './orders.controller.js';
import { OrdersService } from './orders.service.js';

@Module({
  imports: [WorkshopModule],
  controllers: [OrdersController],
  providers: [OrdersService],
})
export class OrdersModule {}
