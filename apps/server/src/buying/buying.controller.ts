import {
  ArrivedDto,
  PageQueryDto,
  ShoppingDto,
  TickDto,
  type LotView,
  type PageView,
  type ShoppingItemView,
  type ShoppingTotalsView,
} from '@coiled-strand/contract';
import {
  Body,
  Controller,
  Delete,
  Get,
  Header,
  HttpCode,
  Param,
  Post,
  Put,
  Query,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, queryOf } from '../openapi/body-of.js';
import { CurrentWorkshop } from '../workshop/current-workshop.js';
import { BuyingService } from './buying.service.js';
import { shoppingCsv } from './shopping-csv.js';

const line = uuid('line on the list');

@ApiTags('buying')
@Controller('shopping')
export class BuyingController {
  constructor(
    private readonly buying: BuyingService,
    private readonly workshop: CurrentWorkshop,
  ) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'What is to be bought and has not come yet, a page at a time' })
  @queryOf(PageQueryDto)
  list(@Query() query: PageQueryDto): Promise<PageView<ShoppingItemView>> {
    return this.buying.page(query);
  }

  @Roles('viewer')
  @Get('totals')
  @ApiOperation({ summary: 'What all of it costs, and how much of each thing is on its way' })
  totals(): Promise<ShoppingTotalsView> {
    return this.buying.totals();
  }

  @Roles('viewer')
  @Get('csv')
  @Header('Content-Type', 'text/csv; charset=utf-8')
  @Header('Content-Disposition', 'attachment; filename="to-buy.csv"')
  @ApiOperation({ summary: 'The list for a spreadsheet' })
  async csv(): Promise<string> {
    const { settings } = await this.workshop.get();
    return shoppingCsv(await this.buying.all(), settings);
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Put packs on the list' })
  @bodyOf(ShoppingDto)
  add(@Body() shopping: ShoppingDto): Promise<ShoppingItemView[]> {
    return this.buying.add(shopping);
  }

  @Roles('maker')
  @Put(':id')
  @bodyOf(TickDto)
  tick(@Param('id', line) id: string, @Body() { ticked }: TickDto): Promise<ShoppingItemView> {
    return this.buying.tick(id, ticked);
  }

  @Roles('maker')
  @Post(':id/arrived')
  @ApiOperation({ summary: 'What came goes into the stash, each pack a lot' })
  @bodyOf(ArrivedDto)
  arrived(@Param('id', line) id: string, @Body() came: ArrivedDto): Promise<LotView[]> {
    return this.buying.arrived(id, came);
  }

  @Roles('maker')
  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', line) id: string): Promise<void> {
    return this.buying.remove(id);
  }
}
