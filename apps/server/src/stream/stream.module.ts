import { Module } from '@nestjs/common';
import { StreamController } from './stream.controller.js';

@Module({ controllers: [StreamController] })
export class StreamModule {}
