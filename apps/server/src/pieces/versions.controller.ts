import {
  PageQueryDto,
  VersionNameDto,
  type PageView,
  type VersionView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, queryOf } from '../openapi/body-of.js';
import { VersionsService } from './versions.service.js';

@ApiTags('pieces')
@Controller('pieces/:id/versions')
export class VersionsController {
  constructor(private readonly versions: VersionsService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The piece as it was before, the last first, a page at a time' })
  @queryOf(PageQueryDto)
  list(
    @Param('id', uuid('piece')) id: string,
    @Query() query: PageQueryDto,
  ): Promise<PageView<VersionView>> {
    return this.versions.page(id, query);
  }

  @Roles('maker')
  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'Keep the piece as it is now, under a name or without one' })
  @bodyOf(VersionNameDto)
  keep(
    @Param('id', uuid('piece')) id: string,
    @Body() { name }: VersionNameDto,
  ): Promise<VersionView> {
    return this.versions.keep(id, name);
  }

  @Roles('viewer')
  @Get(':version')
  @ApiOperation({ summary: 'One of them' })
  get(
    @Param('id', uuid('piece')) id: string,
    @Param('version', uuid('version of this piece')) version: string,
  ): Promise<VersionView> {
    return this.versions.get(id, version);
  }

  @Roles('maker')
  @Put(':version')
  @ApiOperation({ summary: 'Call a version by another name, or by none' })
  @bodyOf(VersionNameDto)
  name(
    @Param('id', uuid('piece')) id: string,
    @Param('version', uuid('version of this piece')) version: string,
    @Body() { name }: VersionNameDto,
  ): Promise<VersionView> {
    return this.versions.name(id, version, name);
  }
}
