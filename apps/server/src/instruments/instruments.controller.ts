import { HandleDto, type InstrumentView } from '@coiled-strand/contract';
import { Body, Controller, Get, HttpCode, Param, Put, Sse } from '@nestjs/common';
import { ApiExcludeEndpoint, ApiOperation, ApiTags } from '@nestjs/swagger';
import { map, type Observable } from 'rxjs';
import { bodyOf } from '../openapi/body-of.js';
import { InstrumentsService } from './instruments.service.js';

@ApiTags('instruments')
@Controller('instruments')
export class InstrumentsController {
  constructor(private readonly instruments: InstrumentsService) {}

  @Get()
  @ApiOperation({ summary: 'Caliper and scale, and what they say now' })
  list(): InstrumentView[] {
    return this.instruments.list();
  }

  /** It goes on for as long as somebody listens, so that it is no route to be tried and awaited. */
  @Sse('readings')
  @ApiExcludeEndpoint()
  readings(): Observable<{ data: InstrumentView | null }> {
    return this.instruments.readings().pipe(map((data) => ({ data })));
  }

  @Put(':instrument')
  @HttpCode(200)
  @ApiOperation({ summary: 'Turn the wheel of a stand-in, load its pan, pull its plug' })
  @bodyOf(HandleDto)
  handle(@Param('instrument') instrument: string, @Body() hands: HandleDto): InstrumentView {
    return this.instruments.handle(instrument, hands);
  }
}
