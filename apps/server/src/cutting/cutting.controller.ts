import {
  CutMadeDto,
  CuttingSessionDto,
  PageQueryDto,
  type CuttingSummary,
  type CuttingView,
  type PageView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, queryOf } from '../openapi/body-of.js';
import { CuttingService } from './cutting.service.js';

const session = uuid('cutting session');

@ApiTags('cutting')
@Controller('cuttings')
export class CuttingController {
  constructor(private readonly cuttings: CuttingService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'Cutting sessions, the last first' })
  @queryOf(PageQueryDto)
  list(@Query() query: PageQueryDto): Promise<PageView<CuttingSummary>> {
    return this.cuttings.page(query);
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Begin a cutting session as it was planned' })
  @bodyOf(CuttingSessionDto)
  begin(@Body() planned: CuttingSessionDto): Promise<CuttingView> {
    return this.cuttings.begin(planned);
  }

  @Roles('viewer')
  @Get(':id')
  get(@Param('id', session) id: string): Promise<CuttingView> {
    return this.cuttings.get(id);
  }

  @Roles('maker')
  @Put(':id/cuts/:cut')
  @ApiOperation({ summary: 'Tick a cut off, as it was made, into the ledger of its lot' })
  @bodyOf(CutMadeDto)
  cut(
    @Param('id', session) id: string,
    @Param('cut') cut: string,
    @Body() made: CutMadeDto,
  ): Promise<CuttingView> {
    return this.cuttings.cut(id, cut, made);
  }

  @Roles('maker')
  @Post(':id/close')
  @HttpCode(200)
  close(@Param('id', session) id: string): Promise<CuttingView> {
    return this.cuttings.close(id);
  }
}
