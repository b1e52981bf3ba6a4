import {
  BeadDto,
  CordDto,
  FittingDto,
  PackDto,
  WearerDto,
  type Stored,
} from '@coiled-strand/contract';
import { Body, Controller, Get, Param, Post, Put, type Type } from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { EntityTarget } from 'typeorm';
import { For } from '../identity/for.js';
import { validationPipe } from '../errors/validation.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import {
  BeadItem,
  CordItem,
  FittingItem,
  PackItem,
  WearerItem,
  type StashItem,
} from '../rows/list.entities.js';
import { StashService } from './stash.service.js';

/**
 * The routes of one of the workshop's lists.
 *
 * @param what one thing on it is called; its route is the plural
 * @param Dto what its bodies are checked by
 */
function listController<T extends object>(
  what: string,
  Dto: Type<T>,
  list: EntityTarget<StashItem<T>>,
): Type<object> {
  const checked = validationPipe(Dto);

  @ApiTags(`${what}s`)
  @Controller(`${what}s`)
  class ListController {
    constructor(private readonly stash: StashService) {}

    @For('viewer')
    @Get()
    list(): Promise<Stored<T>[]> {
      return this.stash.list(list);
    }
    @For('maker')
    @Post()
    @bodyOf(Dto)
    add(@Body(checked) value: object): Promise<Stored<T>> {
      return this.stash.add(list, value as T);
    }
    @For('maker')
    @Put(':id')
    @bodyOf(Dto)
    change(@Param('id', uuid(what)) id: string, @Body(checked) value: object): Promise<Stored<T>> {
      return this.stash.change(list, id, value as T, what);
    }
  }
  // The description of the API names its operations by their class.
  Object.defineProperty(ListController, 'name', { value: `${what}-list` });
  return ListController;
}

export const STASH_CONTROLLERS = [
  listController('wearer', WearerDto, WearerItem),
  listController('cord', CordDto, CordItem),
  listController('bead', BeadDto, BeadItem),
  listController('fitting', FittingDto, FittingItem),
  listController('pack', PackDto, PackItem),
];
