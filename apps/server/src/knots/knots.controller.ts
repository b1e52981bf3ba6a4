import { DrawnKnotDto, KnotChangeDto, type KnotView } from '@coiled-strand/contract';
import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { uuid } from '../http/uuid.pipe.js';
import { Roles } from '../identity/roles.js';
import { bodyOf } from '../openapi/body-of.js';
import { KnotsService } from './knots.service.js';

@ApiTags('knots')
@Controller('knots')
export class KnotsController {
  constructor(private readonly knots: KnotsService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The knots that were drawn in the workshop' })
  list(): Promise<KnotView[]> {
    return this.knots.list();
  }

  @Roles('viewer')
  @Get(':id')
  @ApiOperation({ summary: 'One of them' })
  get(@Param('id', uuid('knot')) id: string): Promise<KnotView> {
    return this.knots.get(id);
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Keep a knot: its drawing, and what was computed of that very drawing' })
  @bodyOf(DrawnKnotDto)
  add(@Body() knot: DrawnKnotDto): Promise<KnotView> {
    return this.knots.add(knot);
  }

  @Roles('maker')
  @Put(':id')
  @ApiOperation({ summary: 'Change a knot; 409 when it changed since the version that is named' })
  @bodyOf(KnotChangeDto)
  change(@Param('id', uuid('knot')) id: string, @Body() knot: KnotChangeDto): Promise<KnotView> {
    return this.knots.change(id, knot);
  }

  @Roles('maker')
  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take a knot off the list; pieces that have it keep it' })
  remove(@Param('id', uuid('knot')) id: string): Promise<void> {
    return this.knots.remove(id);
  }
}
