import { SettingsDto, type WorkshopView } from '@coiled-strand/contract';
import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { bodyOf } from '../openapi/body-of.js';
import { CurrentWorkshop } from './current-workshop.js';
import type { Workshop } from '../rows/workshop.entity.js';

const view = ({ name, maker, settings }: Workshop): WorkshopView => ({ name, maker, settings });

@ApiTags('workshop')
@Controller('workshop')
export class WorkshopController {
  constructor(private readonly current: CurrentWorkshop) {}

  @Get()
  @ApiOperation({ summary: 'The workshop and its settings' })
  async get(): Promise<WorkshopView> {
    return view(await this.current.get());
  }

  @Put('settings')
  @ApiOperation({ summary: 'Change units, rounding step, sureness or leading hand' })
  @bodyOf(SettingsDto)
  async put(@Body() settings: SettingsDto): Promise<WorkshopView> {
    const workshop = await this.current.get();
    return view(await this.current.save({ ...workshop, settings }));
  }
}
