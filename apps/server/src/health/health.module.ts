import { Controller, Get, Module } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly dataSource: DataSource) {}

  @Get()
  @ApiOperation({ summary: 'Whether the server and its database answer' })
  async health(): Promise<{ status: 'ok'; database: 'ok' }> {
    await this.dataSource.query('select 1');
    return { status: 'ok', database: 'ok' };
  }
}

@Module({ controllers: [HealthController] })
export class HealthModule {}
