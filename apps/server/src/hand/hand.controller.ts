import {
  SetAsideDto,
  SwatchDto,
  type HandView,
  type MadeCords,
  type SwatchView,
} from '@coiled-strand/contract';
import type { Hand } from '@coiled-strand/core';
import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import { HandService } from './hand.service.js';

@ApiTags('hand')
@Controller()
export class HandController {
  constructor(private readonly hand: HandService) {}

  @Roles('viewer')
  @Get('hand')
  @ApiOperation({ summary: 'What was learnt of the hand, and what it rests on' })
  get(): Promise<HandView> {
    return this.hand.get();
  }

  @Roles('viewer')
  @Get('hand/known')
  @ApiOperation({ summary: 'What plans need of the hand' })
  known(): Promise<Hand> {
    return this.hand.current();
  }

  @Roles('viewer')
  @Get('hand/made')
  @ApiOperation({ summary: 'Cord that the last makes were predicted to take, and took' })
  made(): Promise<MadeCords[]> {
    return this.hand.made();
  }

  @Roles('viewer')
  @Get('swatches')
  list(): Promise<SwatchView[]> {
    return this.hand.listSwatches();
  }

  @Roles('maker')
  @Post('swatches')
  @ApiOperation({ summary: 'A few units tied and measured' })
  @bodyOf(SwatchDto)
  add(@Body() swatch: SwatchDto): Promise<SwatchView> {
    return this.hand.addSwatch(swatch);
  }

  @Roles('maker')
  @Put('swatches/:id/set-aside')
  @HttpCode(204)
  @bodyOf(SetAsideDto)
  setAside(
    @Param('id', uuid('swatch')) id: string,
    @Body() { reason }: SetAsideDto,
  ): Promise<void> {
    return this.hand.setSwatchAside(id, reason);
  }

  @Roles('maker')
  @Delete('swatches/:id')
  @HttpCode(204)
  remove(@Param('id', uuid('swatch')) id: string): Promise<void> {
    return this.hand.removeSwatch(id);
  }
}
