import {
  BeadDto,
  CordDto,
  FittingDto,
  WearerDto,
  type BeadView,
  type CordView,
  type FittingView,
  type WearerView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, Param, Post, Put } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import { BeadItem, CordItem, FittingItem, WearerItem } from '../rows/list.entities.js';
import { StashService } from './stash.service.js';

// Decorators need a class per body type for validation; what they do is the service's, once.

@ApiTags('wearers')
@Controller('wearers')
export class WearersController {
  constructor(private readonly stash: StashService) {}

  @Get()
  list(): Promise<WearerView[]> {
    return this.stash.list(WearerItem);
  }
  @Post()
  @bodyOf(WearerDto)
  add(@Body() wearer: WearerDto): Promise<WearerView> {
    return this.stash.add(WearerItem, wearer);
  }
  @Put(':id')
  @bodyOf(WearerDto)
  change(@Param('id', uuid('wearer')) id: string, @Body() wearer: WearerDto): Promise<WearerView> {
    return this.stash.change(WearerItem, id, wearer, 'wearer');
  }
}

@ApiTags('cords')
@Controller('cords')
export class CordsController {
  constructor(private readonly stash: StashService) {}

  @Get()
  list(): Promise<CordView[]> {
    return this.stash.list(CordItem);
  }
  @Post()
  @bodyOf(CordDto)
  add(@Body() cord: CordDto): Promise<CordView> {
    return this.stash.add(CordItem, cord);
  }
  @Put(':id')
  @bodyOf(CordDto)
  change(@Param('id', uuid('cord')) id: string, @Body() cord: CordDto): Promise<CordView> {
    return this.stash.change(CordItem, id, cord, 'cord');
  }
}

@ApiTags('beads')
@Controller('beads')
export class BeadsController {
  constructor(private readonly stash: StashService) {}

  @Get()
  list(): Promise<BeadView[]> {
    return this.stash.list(BeadItem);
  }
  @Post()
  @bodyOf(BeadDto)
  add(@Body() bead: BeadDto): Promise<BeadView> {
    return this.stash.add(BeadItem, bead);
  }
  @Put(':id')
  @bodyOf(BeadDto)
  change(@Param('id', uuid('bead')) id: string, @Body() bead: BeadDto): Promise<BeadView> {
    return this.stash.change(BeadItem, id, bead, 'bead');
  }
}

@ApiTags('fittings')
@Controller('fittings')
export class FittingsController {
  constructor(private readonly stash: StashService) {}

  @Get()
  list(): Promise<FittingView[]> {
    return this.stash.list(FittingItem);
  }
  @Post()
  @bodyOf(FittingDto)
  add(@Body() fitting: FittingDto): Promise<FittingView> {
    return this.stash.add(FittingItem, fitting);
  }
  @Put(':id')
  @bodyOf(FittingDto)
  change(
    @Param('id', uuid('fitting')) id: string,
    @Body() fitting: FittingDto,
  ): Promise<FittingView> {
    return this.stash.change(FittingItem, id, fitting, 'fitting');
  }
}
