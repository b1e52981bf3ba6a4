import {
  MakeLineDto,
  MakeLogDto,
  MakesQueryDto,
  ProgressDto,
  SetAsideDto,
  type MakePlanView,
  type MakeView,
  type PageView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, queryOf } from '../openapi/body-of.js';
import { MakesService } from './makes.service.js';

@ApiTags('makes')
@Controller('makes')
export class MakesController {
  constructor(private readonly makes: MakesService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The book of makes, a page at a time' })
  @queryOf(MakesQueryDto)
  list(@Query() query: MakesQueryDto): Promise<PageView<MakeView>> {
    return this.makes.page(query);
  }

  @Roles('viewer')
  @Get(':id')
  get(@Param('id', uuid('make')) id: string): Promise<MakeView> {
    return this.makes.get(id);
  }

  @Roles('viewer')
  @Get(':id/plan')
  @ApiOperation({
    summary: 'The plan and the steps that the make goes by, as they were at its start',
  })
  plan(@Param('id', uuid('make')) id: string): Promise<MakePlanView> {
    return this.makes.planOf(id);
  }

  @Roles('maker')
  @Put(':id/progress')
  @ApiOperation({ summary: 'Where the make stands, the time it took, the timers that run' })
  @bodyOf(ProgressDto)
  progress(
    @Param('id', uuid('make')) id: string,
    @Body() progress: ProgressDto,
  ): Promise<MakeView> {
    return this.makes.setProgress(id, progress);
  }

  @Roles('maker')
  @Put(':id/log')
  @ApiOperation({ summary: 'What was left over, measured and spent; may be mended later' })
  @bodyOf(MakeLogDto)
  log(@Param('id', uuid('make')) id: string, @Body() record: MakeLogDto): Promise<MakeView> {
    return this.makes.log(id, record);
  }

  @Roles('maker')
  @Put(':id/line')
  @ApiOperation({ summary: 'The line of an order that it is made for; null for none' })
  @bodyOf(MakeLineDto)
  line(@Param('id', uuid('make')) id: string, @Body() { line }: MakeLineDto): Promise<MakeView> {
    return this.makes.setLine(id, line);
  }

  @Roles('maker')
  @Put(':id/set-aside')
  @ApiOperation({ summary: 'Let a make not count for the hand, with a reason; null lets it count' })
  @bodyOf(SetAsideDto)
  setAside(
    @Param('id', uuid('make')) id: string,
    @Body() { reason }: SetAsideDto,
  ): Promise<MakeView> {
    return this.makes.setAside(id, reason);
  }

  @Roles('maker')
  @Post(':id/abandon')
  @HttpCode(204)
  @ApiOperation({ summary: 'Give a make under way up; it can be resumed' })
  abandon(@Param('id', uuid('make')) id: string): Promise<void> {
    return this.makes.setAbandoned(id, true);
  }

  @Roles('maker')
  @Post(':id/resume')
  @HttpCode(204)
  resume(@Param('id', uuid('make')) id: string): Promise<void> {
    return this.makes.setAbandoned(id, false);
  }
}
