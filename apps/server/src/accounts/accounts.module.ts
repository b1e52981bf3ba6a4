import { Global, Module, type DynamicModule } from '@nestjs/common';
import { APP_GUARD, APP_INTERCEPTOR } from '@nestjs/core';
import {
  AccountController,
  BeginningsController,
  PeopleController,
  SessionController,
} from './accounts.controllers.js';
import { AccountsService } from './accounts.service.js';
import { LinksService } from './links.service.js';
import { AT_HOME, SessionsService } from './sessions.service.js';
import { NameTries, Throttle } from './throttle.js';
import { Tidy } from './tidy.js';
import { Once } from '../idempotency/once.interceptor.js';
import { WhoMay } from './who-may.guard.js';

@Global()
@Module({})
export class AccountsModule {
  /** @param atHome whether the program listens to this machine alone */
  static of(atHome: boolean): DynamicModule {
    return {
      module: AccountsModule,
      controllers: [SessionController, AccountController, BeginningsController, PeopleController],
      providers: [
        AccountsService,
        SessionsService,
        LinksService,
        Throttle,
        NameTries,
        Tidy,
        { provide: AT_HOME, useValue: atHome },
        { provide: APP_GUARD, useClass: WhoMay },
        { provide: APP_INTERCEPTOR, useClass: Once },
      ],
      exports: [AccountsService, SessionsService],
    };
  }
}
