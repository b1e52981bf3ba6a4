import { PieceFileDto, pieceFileSchema, type JsonSchema } from '@coiled-strand/contract';
import type { PlanResult } from '@coiled-strand/core';
import { Body, Controller, Get, Header, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { HandService } from '../hand/hand.service.js';
import { bodyOf } from '../openapi/body-of.js';
import { Planner } from '../planner/planner.service.js';

@ApiTags('plan')
@Controller('plan')
export class PlanController {
  constructor(
    private readonly hand: HandService,
    private readonly planner: Planner,
  ) {}

  @Roles('viewer')
  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary: 'Plan a piece without storing it',
    description:
      'Takes a piece file (wearer and materials inside) and answers with the plan in this workshop’s hand, or with ok: false and what prevents one as advice. The same code runs in the browser.',
  })
  @bodyOf(PieceFileDto)
  async plan(@Body() file: PieceFileDto): Promise<PlanResult> {
    const hand = await this.hand.current();
    return this.planner.plan({ piece: file.piece, hand });
  }
}

/** It does not change while the program runs. */
const SCHEMA = pieceFileSchema();

@ApiTags('plan')
@Controller('piece.schema.json')
export class PieceSchemaController {
  @Roles('unasked')
  @Get()
  @Header('Content-Type', 'application/schema+json; charset=utf-8')
  @ApiOperation({ summary: 'The JSON Schema (2020-12) of a piece file of the present version' })
  schema(): JsonSchema {
    return SCHEMA;
  }
}
