import {
  AboutLotDto,
  FromMakeDto,
  LotsQueryDto,
  MoveDto,
  PageQueryDto,
  TakeInDto,
  ThingsDto,
  type CutForView,
  type LotView,
  type MovementView,
  type PageView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, Headers, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, IfMatch, queryOf } from '../openapi/body-of.js';
import { LotsService, type Moved } from './lots.service.js';

@ApiTags('lots')
@Controller('lots')
export class LotsController {
  constructor(private readonly lots: LotsService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'What lies in the drawers, a page at a time' })
  @queryOf(LotsQueryDto)
  list(@Query() query: LotsQueryDto): Promise<PageView<LotView>> {
    return this.lots.page(query);
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Take in what was bought, as one lot or several alike' })
  @bodyOf(TakeInDto)
  takeIn(@Body() taken: TakeInDto): Promise<LotView[]> {
    return this.lots.takeIn(taken);
  }

  @Roles('viewer')
  @Post('of-things')
  @HttpCode(200)
  @ApiOperation({ summary: 'Every lot of some things of which something is left' })
  @bodyOf(ThingsDto)
  ofThings(@Body() { things }: ThingsDto): Promise<LotView[]> {
    return this.lots.ofThings(things);
  }

  @Roles('maker')
  @Post('from-make')
  @ApiOperation({ summary: 'What a logged make was cut from, and the offcuts that came back' })
  @bodyOf(FromMakeDto)
  fromMake(@Body() from: FromMakeDto): Promise<LotView[]> {
    return this.lots.fromMake(from);
  }

  @Roles('viewer')
  @Get('cut-for/:make')
  @ApiOperation({
    summary: 'What was cut in sessions for the piece of a make, and went into no make yet',
  })
  cutFor(@Param('make', uuid('make')) make: string): Promise<CutForView[]> {
    return this.lots.cutFor(make);
  }

  @Roles('viewer')
  @Get(':id')
  get(@Param('id', uuid('lot')) id: string): Promise<LotView> {
    return this.lots.get(id);
  }

  @Roles('maker')
  @Put(':id')
  @ApiOperation({ summary: 'Change what is known of a lot; how much is left is the ledger’s' })
  @IfMatch()
  @bodyOf(AboutLotDto)
  change(
    @Param('id', uuid('lot')) id: string,
    @Headers('if-match') seen: string | undefined,
    @Body() about: AboutLotDto,
  ): Promise<LotView> {
    return this.lots.change(id, about, seen);
  }

  @Roles('viewer')
  @Get(':id/movements')
  @ApiOperation({ summary: 'The ledger of a lot, the last line first' })
  @queryOf(PageQueryDto)
  movements(
    @Param('id', uuid('lot')) id: string,
    @Query() query: PageQueryDto,
  ): Promise<PageView<MovementView>> {
    return this.lots.movements(id, query);
  }

  @Roles('maker')
  @Post(':id/movements')
  @ApiOperation({ summary: 'Something goes out, or is counted, measured or weighed anew' })
  @bodyOf(MoveDto)
  move(@Param('id', uuid('lot')) id: string, @Body() move: MoveDto): Promise<Moved> {
    return this.lots.move(id, move);
  }
}

@ApiTags('lots')
@Controller('movements')
export class MovementsController {
  constructor(private readonly lots: LotsService) {}

  @Roles('maker')
  @Post(':id/undo')
  @HttpCode(200)
  @ApiOperation({ summary: 'Write the opposite of a movement' })
  undo(@Param('id', uuid('movement')) id: string): Promise<Moved> {
    return this.lots.undo(id);
  }
}
