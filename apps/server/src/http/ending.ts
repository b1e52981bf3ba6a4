import { Injectable, type OnModuleDestroy } from '@nestjs/common';
import { HttpAdapterHost } from '@nestjs/core';
import type { Server } from 'node:http';
import type { NextFunction, Request, Response } from 'express';

/**
 * Lets go of connections once the server is asked to end. It ends when the last of them does, and one over which
 * somebody asks again and again would never.
 */
@Injectable()
export class Ending implements OnModuleDestroy {
  /** Whether it was asked to. */
  begun = false;

  constructor(private readonly host: HttpAdapterHost) {}

  onModuleDestroy(): void {
    this.begun = true;
    // What is answered from now on over a connection that was not told so is not waited for.
    const server = this.host.httpAdapter.getHttpServer() as Server;
    server.keepAliveTimeout = 1;
  }

  /** Says of the last answer of a connection that it is the last. */
  readonly sayLast = (_: Request, response: Response, next: NextFunction): void => {
    if (this.begun) response.setHeader('Connection', 'close');
    next();
  };
}
