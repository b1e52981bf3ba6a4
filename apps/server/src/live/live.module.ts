import { Global, Module, type DynamicModule } from '@nestjs/common';
import { DATABASE_URL, Listener } from './listener.js';
import { LiveController } from './live.controller.js';

@Global()
@Module({})
export class LiveModule {
  static of(databaseUrl: string): DynamicModule {
    return {
      module: LiveModule,
      controllers: [LiveController],
      providers: [Listener, { provide: DATABASE_URL, useValue: databaseUrl }],
      exports: [Listener, DATABASE_URL],
    };
  }
}
