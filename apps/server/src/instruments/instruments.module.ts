import { Global, Module, type DynamicModule } from '@nestjs/common';
import type { Config } from '../config/config.js';
import { InstrumentsController } from './instruments.controller.js';
import { InstrumentsService, WHERE } from './instruments.service.js';

@Global()
@Module({})
export class InstrumentsModule {
  static of(where: Config['instruments']): DynamicModule {
    return {
      module: InstrumentsModule,
      controllers: [InstrumentsController],
      providers: [InstrumentsService, { provide: WHERE, useValue: where }],
      exports: [InstrumentsService],
    };
  }
}
