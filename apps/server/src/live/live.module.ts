import { Global, Module, type DynamicModule } from '@nestjs/common';
import { DATABASE_URL, Listener } from './listener.js';

@Global()
@Module({})
export class LiveModule {
  static of(databaseUrl: string): DynamicModule {
    return {
      module: LiveModule,
      providers: [Listener, { provide: DATABASE_URL, useValue: databaseUrl }],
      exports: [Listener, DATABASE_URL],
    };
  }
}
