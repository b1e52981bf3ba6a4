import { Module, type DynamicModule } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { createDataSource, prepareDatabase } from './database/data-source.js';
import type { Config } from './config/config.js';
import { AccountsModule } from './accounts/accounts.module.js';
import { TrailModule } from './trail/trail.module.js';
import { isLoopback } from './identity/loopback.js';
import { BackupModule } from './backup/backup.module.js';
import { BuyingModule } from './buying/buying.module.js';
import { CuttingModule } from './cutting/cutting.module.js';
import { InstrumentsModule } from './instruments/instruments.module.js';
import { KitsModule } from './kits/kits.module.js';
import { LotsModule } from './lots/lots.module.js';
import { LiveModule } from './live/live.module.js';
import { QueueModule } from './queue/queue.module.js';
import { OrdersModule } from './orders/orders.module.js';
import { WeekModule } from './week/week.module.js';
import { HandModule } from './hand/hand.module.js';
import { HttpModule } from './http/http.module.js';
import { HealthModule } from './health/health.module.js';
import { MakesModule } from './makes/makes.module.js';
import { StreamModule } from './stream/stream.module.js';
import { PiecesModule } from './pieces/pieces.module.js';
import { PrivacyModule } from './privacy/privacy.module.js';
import { PlanModule } from './plan/plan.module.js';
import { KnotsModule } from './knots/knots.module.js';
import { StashModule } from './stash/stash.module.js';
import { WorkshopModule } from './workshop/workshop.module.js';

@Module({})
export class AppModule {
  static with(config: Config): DynamicModule {
    return {
      module: AppModule,
      imports: [
        TypeOrmModule.forRootAsync({
          useFactory: () => ({
            type: 'postgres' as const,
            retryAttempts: 0,
            autoLoadEntities: false,
          }),
          dataSourceFactory: async () => {
            await prepareDatabase(config.databaseUrl, config.demo);
            return createDataSource(config.databaseUrl, config.pool).initialize();
          },
        }),
        AccountsModule.of(isLoopback(config.host)),
        LiveModule.of(config.databaseUrl),
        HttpModule,
        QueueModule,
        TrailModule,
        HealthModule.of(config.dataFolder),
        WorkshopModule,
        StashModule,
        KnotsModule,
        PiecesModule,
        MakesModule,
        HandModule,
        PrivacyModule,
        PlanModule,
        LotsModule,
        CuttingModule,
        BuyingModule,
        OrdersModule,
        KitsModule,
        WeekModule,
        BackupModule.of(config.backups),
        InstrumentsModule.of(config.instruments),
        StreamModule,
      ],
    };
  }
}
