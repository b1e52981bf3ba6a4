import {
  BeadDto,
  CordDto,
  FittingDto,
  PackDto,
  severalOf,
  WearerDto,
  type Stored,
  type UsesView,
} from '@coiled-strand/contract';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Post,
  Put,
  type Type,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import type { EntityTarget } from 'typeorm';
import { For } from '../identity/for.js';
import { ValidationPipe } from '../errors/validation.js';
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
import type { Listed } from './uses.js';

/**
 * The routes of one of the workshop's lists.
 *
 * @param what one thing on it is called; its route is the plural
 * @param Dto what its bodies are checked by
 * @param nameOf what copies of it are called
 */
function listController<T extends object>(
  what: Listed,
  Dto: Type<T>,
  list: EntityTarget<StashItem<T>>,
  nameOf: (value: T) => string,
): Type<object> {
  const checked = new ValidationPipe(Dto);
  const Several = severalOf(Dto);
  const severalChecked = new ValidationPipe(Several);

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
    @Post('several')
    @bodyOf(Several)
    addAll(@Body(severalChecked) several: object): Promise<Stored<T>[]> {
      return this.stash.addAll(list, (several as { readonly items: readonly T[] }).items, what);
    }
    @For('maker')
    @Get(':id/uses')
    uses(@Param('id', uuid(what)) id: string): Promise<UsesView> {
      return this.stash.uses(list, id, what, nameOf);
    }
    @For('maker')
    @Delete(':id')
    @HttpCode(204)
    remove(@Param('id', uuid(what)) id: string): Promise<void> {
      return this.stash.remove(list, id, what);
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

const named = ({ name }: { readonly name: string }): string => name;
/** Pieces have the closure of a fitting. */
const closureName = ({ name, closure }: FittingDto): string =>
  'name' in closure ? closure.name : name;

export const STASH_CONTROLLERS = [
  listController('wearer', WearerDto, WearerItem, named),
  listController('cord', CordDto, CordItem, named),
  listController('bead', BeadDto, BeadItem, named),
  listController('fitting', FittingDto, FittingItem, closureName),
  listController('pack', PackDto, PackItem, ({ label }) => label),
];
