import {
  BeginMakeDto,
  PieceDto,
  PieceFileDto,
  PiecesQueryDto,
  type MakeView,
  type PageView,
  type PieceView,
} from '@coiled-strand/contract';
import { pieceFileName, type PieceFile } from '@coiled-strand/core';
import {
  Body,
  Controller,
  Delete,
  Get,
  Headers,
  HttpCode,
  Param,
  Post,
  Put,
  Query,
  Res,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Response } from 'express';
import { Roles } from '../identity/roles.js';
import { etag, requestKey, versionSeen } from '../http/etag.js';
import { uuid } from '../http/uuid.pipe.js';
import { MakesService } from '../makes/makes.service.js';
import { bodyOf, IfMatch, queryOf } from '../openapi/body-of.js';
import { PiecesService } from './pieces.service.js';

@ApiTags('pieces')
@Controller('pieces')
export class PiecesController {
  constructor(
    private readonly pieces: PiecesService,
    private readonly makes: MakesService,
  ) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The pieces on the bench, a page at a time' })
  @queryOf(PiecesQueryDto)
  list(@Query() query: PiecesQueryDto): Promise<PageView<PieceView>> {
    return this.pieces.page(query);
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Lay a new piece on the bench' })
  @bodyOf(PieceDto)
  async add(
    @Body() piece: PieceDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PieceView> {
    return tagged(response, await this.pieces.add(piece));
  }

  @Roles('maker')
  @Post('import')
  @ApiOperation({ summary: 'Store a piece from its file; faults are named by path' })
  @bodyOf(PieceFileDto)
  async import(
    @Body() file: object,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PieceView> {
    return tagged(response, await this.pieces.import(file));
  }

  @Roles('viewer')
  @Get(':id')
  @ApiOperation({ summary: 'One piece; its ETag is its version' })
  async get(
    @Param('id', uuid('piece')) id: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PieceView> {
    return tagged(response, await this.pieces.get(id));
  }

  @Roles('maker')
  @Put(':id')
  @ApiOperation({ summary: 'Change a piece; 412 with the stored one when it changed meanwhile' })
  @IfMatch()
  @bodyOf(PieceDto)
  async change(
    @Param('id', uuid('piece')) id: string,
    @Headers('if-match') ifMatch: string | undefined,
    @Headers('idempotency-key') key: string | undefined,
    @Body() piece: PieceDto,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PieceView> {
    return tagged(
      response,
      await this.pieces.change(id, piece, versionSeen(ifMatch), requestKey(key)),
    );
  }

  @Roles('maker')
  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Put a piece away; it can be restored' })
  remove(@Param('id', uuid('piece')) id: string): Promise<void> {
    return this.pieces.setArchived(id, true);
  }

  @Roles('maker')
  @Post(':id/restore')
  @HttpCode(204)
  @ApiOperation({ summary: 'Bring back a piece that was put away' })
  restore(@Param('id', uuid('piece')) id: string): Promise<void> {
    return this.pieces.setArchived(id, false);
  }

  @Roles('viewer')
  @Get(':id/file')
  @ApiOperation({ summary: 'The piece as a file' })
  async file(
    @Param('id', uuid('piece')) id: string,
    @Res({ passthrough: true }) response: Response,
  ): Promise<PieceFile> {
    const file = await this.pieces.export(id);
    response.setHeader(
      'Content-Disposition',
      `attachment; filename*=UTF-8''${encodeURIComponent(pieceFileName(file.piece.name))}`,
    );
    return file;
  }

  @Roles('maker')
  @Post(':id/makes')
  @HttpCode(200)
  @ApiOperation({ summary: 'Begin a make, go on with the one under way, or make one again' })
  @bodyOf(BeginMakeDto)
  begin(@Param('id', uuid('piece')) id: string, @Body() how: BeginMakeDto): Promise<MakeView> {
    return this.makes.begin(id, how);
  }
}

function tagged(response: Response, piece: PieceView): PieceView {
  response.setHeader('ETag', etag(piece.version));
  return piece;
}
