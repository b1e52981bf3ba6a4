import {
  OrderDto,
  OrdersQueryDto,
  OrderStateDto,
  type OrderView,
  type PageView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, Headers, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, IfMatch, queryOf } from '../openapi/body-of.js';
import { OrdersService } from './orders.service.js';

@ApiTags('orders')
@Controller('orders')
export class OrdersController {
  constructor(private readonly orders: OrdersService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'Orders, what is due first, a page at a time' })
  @queryOf(OrdersQueryDto)
  list(@Query() query: OrdersQueryDto): Promise<PageView<OrderView>> {
    return this.orders.page(query);
  }

  @Roles('maker')
  @Post()
  @bodyOf(OrderDto)
  add(@Body() order: OrderDto): Promise<OrderView> {
    return this.orders.add(order);
  }

  @Roles('viewer')
  @Get(':id')
  get(@Param('id', uuid('order')) id: string): Promise<OrderView> {
    return this.orders.get(id);
  }

  @Roles('maker')
  @Put(':id')
  @IfMatch()
  @bodyOf(OrderDto)
  change(
    @Param('id', uuid('order')) id: string,
    @Headers('if-match') seen: string | undefined,
    @Body() order: OrderDto,
  ): Promise<OrderView> {
    return this.orders.change(id, order, seen);
  }

  @Roles('maker')
  @Put(':id/state')
  @ApiOperation({ summary: 'Promised, in work, ready, handed over, or called off' })
  @bodyOf(OrderStateDto)
  setState(
    @Param('id', uuid('order')) id: string,
    @Body() { state }: OrderStateDto,
  ): Promise<OrderView> {
    return this.orders.setState(id, state);
  }
}
