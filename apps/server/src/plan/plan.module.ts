import { PieceFileDto } from '@coiled-strand/contract';
import { planPiece, type PlanResult } from '@coiled-strand/core';
import { Body, Controller, HttpCode, Module, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { bodyOf } from '../openapi/body-of.js';

@ApiTags('plan')
@Controller('plan')
export class PlanController {
  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary: 'Plan a piece without storing it',
    description:
      'Takes a piece file (wearer and materials inside) and answers with the plan, or with ok: false and the findings that prevent one. The same code runs in the browser.',
  })
  @bodyOf(PieceFileDto)
  plan(@Body() file: PieceFileDto): PlanResult {
    return planPiece(file.piece);
  }
}

@Module({ controllers: [PlanController] })
export class PlanModule {}
