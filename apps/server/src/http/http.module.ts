import { Global, Module } from '@nestjs/common';
import { Ending } from './ending.js';

/** What concerns connections, whatever they are about. */
@Global()
@Module({ providers: [Ending], exports: [Ending] })
export class HttpModule {}
