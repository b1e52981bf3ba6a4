import type { JobsView } from '@coiled-strand/contract';
import { Controller, Get } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { JobsService } from './jobs.service.js';

@ApiTags('week')
@Controller('jobs')
export class WeekController {
  constructor(private readonly jobs: JobsService) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'What there is to do, as tasks with their minutes, waits and dates' })
  get(): Promise<JobsView> {
    return this.jobs.jobs();
  }
}
