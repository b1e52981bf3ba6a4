import { Module } from '@nestjs/common';
import { TrailController } from './trail.controller.js';

@Module({ controllers: [TrailController] })
export class TrailModule {}
