import { RenameTagDto, TagsDto, type TagView } from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import { TagsService } from './tags.service.js';

@ApiTags('pieces')
@Controller()
export class TagsController {
  constructor(private readonly tags: TagsService) {}

  @Roles('viewer')
  @Get('tags')
  @ApiOperation({ summary: 'Tags of the pieces on the bench' })
  list(): Promise<TagView[]> {
    return this.tags.list();
  }

  @Roles('maker')
  @Put('tags')
  @HttpCode(204)
  @ApiOperation({ summary: 'Call a tag otherwise on every piece, or take it off them all' })
  @bodyOf(RenameTagDto)
  rename(@Body() { from, to }: RenameTagDto): Promise<void> {
    return this.tags.rename(from, to ?? null);
  }

  @Roles('maker')
  @Put('pieces/:id/tags')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sort a piece under these tags and no others' })
  @bodyOf(TagsDto)
  put(@Param('id', uuid('piece')) id: string, @Body() { tags }: TagsDto): Promise<void> {
    return this.tags.put(id, tags);
  }
}
