import {
  LIST_DTOS,
  severalOf,
  type FittingDto,
  type Stored,
  type UsesView,
} from '@coiled-strand/contract';
import type { Copy } from '@coiled-strand/core';
import { isCopied, LIST_IDS, LISTS, type CopiedListId, type ListId } from '@coiled-strand/workshop';
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
  type Type,
} from '@nestjs/common';
import { ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { ValidationPipe } from '../errors/validation.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf, IfMatch } from '../openapi/body-of.js';
import { StashService } from './stash.service.js';

/** What a copy of a thing on each list is like: it knows the id of what it is a copy of, or none. */
const COPY_OF: Readonly<
  Record<CopiedListId, (value: object, origin: string | undefined) => object>
> = {
  wearers: knowing,
  cords: knowing,
  beads: knowing,
  // Pieces have the closure of a fitting.
  fittings: (value, origin) => {
    const { name, closure } = value as FittingDto;
    return { name, closure: { ...closure, origin } };
  },
};
function knowing(value: Copy, origin: string | undefined): Copy {
  return { ...value, origin };
}

/** The routes of one of the workshop's lists; what is handed out is taken into pieces and lots as it is. */
function listController(id: ListId): Type<object> {
  const Dto: Type<object> = LIST_DTOS[id];
  const { table } = LISTS[id];
  const copy = isCopied(id) ? COPY_OF[id] : (value: object): object => value;
  const checked = new ValidationPipe(Dto);
  const Several = severalOf(Dto);
  const severalChecked = new ValidationPipe(Several);
  const handedOut = ({ value, ...stored }: Stored<object>): Stored<object> => ({
    ...stored,
    value: copy(value, stored.id),
  });
  const plain = (value: object): object => copy(value, undefined);

  @ApiTags(id)
  @Controller(id)
  class ListController {
    constructor(private readonly stash: StashService) {}

    @Roles('viewer')
    @Get()
    async list(): Promise<Stored<object>[]> {
      return (await this.stash.list(id)).map(handedOut);
    }
    @Roles('maker')
    @Post()
    @bodyOf(Dto)
    async add(@Body(checked) value: object): Promise<Stored<object>> {
      return handedOut(await this.stash.add(id, plain(value)));
    }
    @Roles('maker')
    @Post('several')
    @bodyOf(Several)
    async addAll(@Body(severalChecked) several: object): Promise<Stored<object>[]> {
      const { items } = several as { readonly items: readonly object[] };
      return (await this.stash.addAll(id, items.map(plain))).map(handedOut);
    }
    @Roles('maker')
    @Get(':id/uses')
    uses(@Param('id', uuid(table)) thing: string): Promise<UsesView> {
      return this.stash.uses(id, thing);
    }
    @Roles('maker')
    @Delete(':id')
    @HttpCode(204)
    remove(@Param('id', uuid(table)) thing: string): Promise<void> {
      return this.stash.remove(id, thing);
    }
    @Roles('maker')
    @Put(':id')
    @IfMatch()
    @bodyOf(Dto)
    async change(
      @Param('id', uuid(table)) thing: string,
      @Headers('if-match') seen: string | undefined,
      @Body(checked) value: object,
    ): Promise<Stored<object>> {
      return handedOut(await this.stash.change(id, thing, plain(value), seen));
    }
  }
  // The description of the API names its operations by their class.
  Object.defineProperty(ListController, 'name', { value: `${table}-list` });
  return ListController;
}

export const STASH_CONTROLLERS = LIST_IDS.map(listController);
