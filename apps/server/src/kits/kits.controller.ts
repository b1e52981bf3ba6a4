import { KitDto, PackedDto, type KitView } from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import { KitsService } from './kits.service.js';

@ApiTags('kits')
@Controller('kits')
export class KitsController {
  constructor(private readonly kits: KitsService) {}

  @Roles('viewer')
  @Get()
  list(): Promise<KitView[]> {
    return this.kits.list();
  }

  @Roles('maker')
  @Post()
  @ApiOperation({ summary: 'Plan packs of a piece for a range of sizes' })
  @bodyOf(KitDto)
  add(@Body() kit: KitDto): Promise<KitView> {
    return this.kits.add(kit);
  }

  @Roles('viewer')
  @Get(':id')
  get(@Param('id', uuid('kit')) id: string): Promise<KitView> {
    return this.kits.get(id);
  }

  @Roles('maker')
  @Post(':id/packed')
  @HttpCode(200)
  @ApiOperation({ summary: 'Packs that were filled, and what went into them from the stash' })
  @bodyOf(PackedDto)
  packed(@Param('id', uuid('kit')) id: string, @Body() packed: PackedDto): Promise<KitView> {
    return this.kits.packed(id, packed);
  }
}
