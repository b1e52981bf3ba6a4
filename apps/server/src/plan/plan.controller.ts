import { PieceFileDto } from '@coiled-strand/contract';
import type { PlanResult } from '@coiled-strand/core';
import { Body, Controller, HttpCode, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { For } from '../identity/for.js';
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

  @For('viewer')
  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary: 'Plan a piece without storing it',
    description:
      'Takes a piece file (wearer and materials inside) and answers with the plan in this workshop’s hand, or with ok: false and what prevents one as advice. The same code runs in the browser.',
  })
  @bodyOf(PieceFileDto)
  async plan(@Body() file: PieceFileDto): Promise<PlanResult> {
    const hand = await this.hand.known();
    return this.planner.plan({ piece: file.piece, hand });
  }
}
