import type { LiveView } from '@coiled-strand/contract';
import { Controller, Req, Res, Sse, type MessageEvent } from '@nestjs/common';
import { ApiExtension, ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import {
  bufferTime,
  concatMap,
  endWith,
  filter,
  from,
  ignoreElements,
  interval,
  map,
  merge,
  of,
  share,
  takeUntil,
  takeWhile,
  type Observable,
} from 'rxjs';
import { SessionsService } from '../accounts/sessions.service.js';
import { Roles } from '../identity/roles.js';
import { currentUser } from '../identity/identity.js';
import { InstrumentsService } from '../instruments/instruments.service.js';
import { Listener } from '../live/listener.js';

/** Changes that come within so many ms are told together. */
const TOGETHER = 150;
/** So often, in ms, it says that it still listens, and looks whether it still may. */
const ALIVE = 20_000;

/** Everything may be another, for everybody: after a gap, or when a backup was restored. */
const ALL = 'all';

/** What the database says: a kind of thing changed in a workshop, or a person’s sessions did. */
interface Said {
  readonly workshop?: string;
  readonly changed?: string;
  readonly person?: string;
}

/** Kinds of changes after which it is looked again whether a listener still may listen. */
const LOOK_AGAIN: readonly (string | undefined)[] = ['member', 'person', ALL];

@ApiTags('live')
@Controller('live')
export class StreamController {
  constructor(
    private readonly listener: Listener,
    private readonly instruments: InstrumentsService,
    private readonly sessions: SessionsService,
  ) {}

  @Roles('viewer')
  @Sse()
  @ApiOperation({
    summary:
      'Which kinds of things change in the workshop, as they change; and what instruments say',
    description: 'One stream for all that a page hears: a browser opens only a few at once.',
  })
  @ApiExtension('x-stream', true)
  changes(@Req() request: Request, @Res() response: Response): Observable<MessageEvent> {
    const { workshopId, personId } = currentUser();
    const said = this.listener
      .on<Said>('coiled_strand')
      .pipe(
        filter(
          ({ workshop, person, changed }) =>
            workshop === workshopId || person === personId || (!workshop && changed === ALL),
        ),
      );
    const gaps = this.listener.gaps.pipe(map((): Said => ({ workshop: workshopId, changed: ALL })));
    const changed = merge(said, gaps).pipe(
      bufferTime(TOGETHER),
      filter((several) => several.length > 0),
      map((several) => ({
        look: several.some((one) => one.person || LOOK_AGAIN.includes(one.changed)),
        data: this.view(workshopId, several),
      })),
    );
    const alive = interval(ALIVE).pipe(map(() => ({ look: true, data: null })));
    const readings = this.instruments
      .readings()
      .pipe(map((view): MessageEvent => ({ type: 'reading', data: view })));
    const told = merge(of({ look: false, data: this.view(workshopId, []) }), changed, alive).pipe(
      concatMap(({ look, data }) =>
        look
          ? from(this.stillMay(request, response, workshopId)).pipe(map((may) => ({ may, data })))
          : of({ may: true, data }),
      ),
      takeWhile(({ may }) => may),
      map(({ data }): MessageEvent => ({ data: data as object })),
      takeUntil(this.listener.over),
      share(),
    );
    // Whoever may hear no more of the workshop hears no more of its instruments.
    const over = told.pipe(ignoreElements(), endWith(true));
    return merge(told, readings.pipe(takeUntil(over)));
  }

  private view(workshop: string, several: readonly Said[]): LiveView {
    return { workshop, changed: [...new Set(several.flatMap(({ changed }) => changed ?? []))] };
  }

  /** Whoever was signed out, sent away, or works elsewhere now hears no more of this workshop. */
  private async stillMay(
    request: Request,
    response: Response,
    workshopId: string,
  ): Promise<boolean> {
    try {
      return (await this.sessions.identify(request, response))?.workshopId === workshopId;
    } catch {
      // The database is away: whether one may is looked at when it is back, for then there was a gap.
      return true;
    }
  }
}
