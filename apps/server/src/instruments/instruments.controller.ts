import { HandleDto, type InstrumentView } from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { bodyOf } from '../openapi/body-of.js';
import { InstrumentsService } from './instruments.service.js';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(private readonly instruments: InstrumentsService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'Caliper and scale, and what they say now' })
  list(): Promise<InstrumentView[]> {
    return this.instruments.list();
  }

  @Roles('maker')
  @Put(':instrument')
  @HttpCode(200)
  @ApiOperation({ summary: 'Turn the wheel of a stand-in, load its pan, pull its plug' })
  @bodyOf(HandleDto)
  handle(
    @Param('instrument') instrument: string,
    @Body() hands: HandleDto,
  ): Promise<InstrumentView> {
    return this.instruments.handle(instrument, hands);
  }
}
