import { Global, Module } from '@nestjs/common';
import { Queue } from './queue.service.js';

@Global()
@Module({ providers: [Queue], exports: [Queue] })
export class QueueModule {}
