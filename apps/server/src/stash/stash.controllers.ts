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
import type { Copy } from '@coiled-strand/core';
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
import { Roles } from '../identity/roles.js';
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
import type { ListKind } from './uses.js';

/**
 * The routes of one of the workshop's lists.
 *
 * @param what one thing on it is called; its route is the plural
 * @param Dto what its bodies are checked by
 * @param copyOf what a copy of it is like, which knows the id of what it is a copy of: pieces and lots take it as it
 *   is handed out; undefined takes the id off what comes in
 */
function listController<T extends object>(
  what: ListKind,
  Dto: Type<T>,
  list: EntityTarget<StashItem<T>>,
  copyOf: (value: T, id: string | undefined) => T,
): Type<object> {
  const checked = new ValidationPipe(Dto);
  const Several = severalOf(Dto);
  const severalChecked = new ValidationPipe(Several);
  const told = ({ id, value }: Stored<T>): Stored<T> => ({ id, value: copyOf(value, id) });
  const plain = (value: object): T => copyOf(value as T, undefined);

  @ApiTags(`${what}s`)
  @Controller(`${what}s`)
  class ListController {
    constructor(private readonly stash: StashService) {}

    @Roles('viewer')
    @Get()
    async list(): Promise<Stored<T>[]> {
      return (await this.stash.list(list)).map(told);
    }
    @Roles('maker')
    @Post()
    @bodyOf(Dto)
    async add(@Body(checked) value: object): Promise<Stored<T>> {
      return told(await this.stash.add(list, plain(value)));
    }
    @Roles('maker')
    @Post('several')
    @bodyOf(Several)
    async addAll(@Body(severalChecked) several: object): Promise<Stored<T>[]> {
      const { items } = several as { readonly items: readonly T[] };
      return (await this.stash.addAll(list, items.map(plain), what)).map(told);
    }
    @Roles('maker')
    @Get(':id/uses')
    uses(@Param('id', uuid(what)) id: string): Promise<UsesView> {
      return this.stash.uses(list, id, what);
    }
    @Roles('maker')
    @Delete(':id')
    @HttpCode(204)
    remove(@Param('id', uuid(what)) id: string): Promise<void> {
      return this.stash.remove(list, id, what);
    }
    @Roles('maker')
    @Put(':id')
    @bodyOf(Dto)
    async change(
      @Param('id', uuid(what)) id: string,
      @Body(checked) value: object,
    ): Promise<Stored<T>> {
      return told(await this.stash.change(list, id, plain(value), what));
    }
  }
  // The description of the API names its operations by their class.
  Object.defineProperty(ListController, 'name', { value: `${what}-list` });
  return ListController;
}

const copyOf = <T extends Copy>(value: T, origin: string | undefined): T => ({ ...value, origin });
/** Pieces have the closure of a fitting. */
const fittingCopy = ({ name, closure }: FittingDto, origin: string | undefined): FittingDto => ({
  name,
  closure: { ...closure, origin },
});
export const STASH_CONTROLLERS = [
  listController('wearer', WearerDto, WearerItem, copyOf),
  listController('cord', CordDto, CordItem, copyOf),
  listController('bead', BeadDto, BeadItem, copyOf),
  listController('fitting', FittingDto, FittingItem, fittingCopy),
  listController('pack', PackDto, PackItem, (value) => value),
];
