import {
  AccountDto,
  ChooseWorkshopDto,
  ConfirmDto,
  InvitationDto,
  JoinDto,
  LinkDto,
  NewWorkshopDto,
  PasswordDto,
  ResetDto,
  RoleDto,
  SetUpDto,
  SignInDto,
  type DeviceView,
  type LinkView,
  type MadeLinkView,
  type PeopleView,
  type SessionView,
} from '@coiled-strand/contract';
import {
  Body,
  Controller,
  Delete,
  Get,
  HttpCode,
  Param,
  Post,
  Put,
  Req,
  Res,
} from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import { DataSource } from 'typeorm';
import { currentUser, identified, identityNow } from '../identity/identity.js';
import { AnsweredOnce } from '../idempotency/once.interceptor.js';
import { Roles } from '../identity/roles.js';
import { deviceIn, takeCookie } from '../identity/cookie.js';
import { uuid } from '../http/uuid.pipe.js';
import { bodyOf } from '../openapi/body-of.js';
import { writeAuditEntry } from '../trail/audit-entry.js';
import { AccountsService } from './accounts.service.js';
import { LinksService } from './links.service.js';
import { addressOf, SessionsService } from './sessions.service.js';

@ApiTags('accounts')
@Controller('session')
export class SessionController {
  constructor(
    private readonly sessions: SessionsService,
    private readonly accounts: AccountsService,
    private readonly dataSource: DataSource,
  ) {}

  @Roles('anyone')
  @Get()
  @ApiOperation({ summary: 'Who asks, in which workshop, and what they may' })
  get(@Req() request: Request): Promise<SessionView> {
    return this.sessions.view(request);
  }

  @Roles('anyone')
  @Post()
  @HttpCode(200)
  @ApiOperation({ summary: 'Sign in' })
  @bodyOf(SignInDto)
  async begin(
    @Body() who: SignInDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const personId = await this.accounts.whose(who, addressOf(request), deviceIn(request));
    identified(await this.sessions.begin(request, response, personId));
    await writeAuditEntry(this.dataSource.manager, 'person.signed-in', { subject: personId });
    return this.sessions.view(request);
  }

  @Roles('anyone')
  @Delete()
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out on this device' })
  end(@Req() request: Request, @Res({ passthrough: true }) response: Response): Promise<void> {
    // What the browser kept of answers goes with whoever may see them; what waits to be sent stays.
    response.setHeader('Clear-Site-Data', '"cache"');
    return this.sessions.end(request, response);
  }

  @Roles('person')
  @Put('workshop')
  @ApiOperation({ summary: 'Work in another of one’s workshops' })
  @bodyOf(ChooseWorkshopDto)
  async workIn(
    @Body() { workshop }: ChooseWorkshopDto,
    @Req() request: Request,
  ): Promise<SessionView> {
    await this.sessions.workIn(workshop);
    const { personId, sessionId } = identityNow()!;
    identified({ personId, sessionId, workshopId: workshop, role: null });
    return this.sessions.view(request);
  }
}

@ApiTags('accounts')
@Controller('account')
export class AccountController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly sessions: SessionsService,
    private readonly dataSource: DataSource,
  ) {}

  @Roles('person')
  @Put()
  @ApiOperation({ summary: 'What one is called, and signs in as' })
  @bodyOf(AccountDto)
  async change(@Body() about: AccountDto, @Req() request: Request): Promise<SessionView> {
    await this.accounts.change(about);
    return this.sessions.view(request);
  }

  @Roles('person')
  @Put('password')
  @ApiOperation({ summary: 'A new password; other devices are signed out' })
  @bodyOf(PasswordDto)
  async setPassword(
    @Body() passwords: PasswordDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const { workshopId } = identityNow()!;
    const personId = await this.accounts.setPassword(
      passwords,
      addressOf(request),
      deviceIn(request),
    );
    identified(await this.sessions.begin(request, response, personId, workshopId ?? undefined));
    return this.sessions.view(request);
  }

  @Roles('person')
  @Get('data')
  @ApiOperation({ summary: 'Everything that is kept of whoever asks' })
  data(): Promise<object> {
    return this.accounts.data();
  }

  @Roles('person')
  @Post('forget')
  @HttpCode(204)
  @ApiOperation({ summary: 'Take one’s own account away, for good; asks for the password' })
  @bodyOf(ConfirmDto)
  async forget(
    @Body() { password }: ConfirmDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<void> {
    await this.accounts.forget(password, addressOf(request), deviceIn(request));
    takeCookie(response);
  }

  @Roles('person')
  @Get('devices')
  @ApiOperation({ summary: 'Where one is signed in' })
  devices(): Promise<DeviceView[]> {
    return this.sessions.devices();
  }

  @Roles('person')
  @Delete('devices')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out everywhere, here as well' })
  async endAll(@Res({ passthrough: true }) response: Response): Promise<void> {
    const { personId } = identityNow()!;
    await this.dataSource.transaction(async (manager) => {
      await this.sessions.endAll(manager, personId, null);
      await writeAuditEntry(manager, 'person.sessions', { subject: personId });
    });
    takeCookie(response);
  }

  @Roles('person')
  @Delete('devices/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Sign out on one device' })
  endOne(@Param('id', uuid('device')) id: string): Promise<void> {
    return this.sessions.endOne(id);
  }
}

@ApiTags('accounts')
@Controller()
export class BeginningsController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly sessions: SessionsService,
    private readonly links: LinksService,
  ) {}

  @Roles('anyone')
  @Post('set-up')
  @HttpCode(200)
  @ApiOperation({ summary: 'The first workshop and its owner; 409 where there is one' })
  @bodyOf(SetUpDto)
  async setUp(
    @Body() about: SetUpDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    return this.signedIn(await this.accounts.setUp(about), request, response);
  }

  @Roles('person')
  @Post('workshops')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Another workshop, of which one is the owner; it is worked in from now on',
  })
  @bodyOf(NewWorkshopDto)
  async addWorkshop(
    @Body() { name }: NewWorkshopDto,
    @Req() request: Request,
  ): Promise<SessionView> {
    const workshopId = await this.accounts.addWorkshop(name);
    await this.sessions.workIn(workshopId);
    identified({ ...identityNow()!, workshopId });
    return this.sessions.view(request);
  }

  @Roles('anyone')
  @Post('links/look')
  @HttpCode(200)
  @ApiOperation({ summary: 'What a link is for' })
  @bodyOf(LinkDto)
  look(@Body() { token }: LinkDto): Promise<LinkView> {
    return this.links.look(token);
  }

  @Roles('anyone')
  @Post('links/join')
  @HttpCode(200)
  @ApiOperation({ summary: 'Take up an invitation with a new account' })
  @bodyOf(JoinDto)
  async joinAnew(
    @Body() { token, ...about }: JoinDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    return this.signedIn(await this.links.joinAnew(token, about), request, response);
  }

  @Roles('person')
  @Post('links/join-as-myself')
  @HttpCode(200)
  @ApiOperation({ summary: 'Take up an invitation with the account that one is signed in with' })
  @bodyOf(LinkDto)
  async join(
    @Body() { token }: LinkDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const joined = await this.links.join(token, identityNow()!.personId);
    return this.signedIn(joined, request, response);
  }

  @Roles('anyone')
  @Post('links/reset')
  @HttpCode(200)
  @ApiOperation({ summary: 'Choose a new password by a link; every device is signed out but this' })
  @bodyOf(ResetDto)
  async reset(
    @Body() { token, password }: ResetDto,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const personId = await this.links.reset(token, password);
    return this.signedIn({ personId }, request, response);
  }

  private async signedIn(
    { personId, workshopId }: { readonly personId: string; readonly workshopId?: string },
    request: Request,
    response: Response,
  ): Promise<SessionView> {
    identified(await this.sessions.begin(request, response, personId, workshopId));
    return this.sessions.view(request);
  }
}

@ApiTags('accounts')
@Controller('people')
export class PeopleController {
  constructor(
    private readonly accounts: AccountsService,
    private readonly links: LinksService,
  ) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'Who is in the workshop; owners are told whom they invited' })
  list(): Promise<PeopleView> {
    return this.accounts.people();
  }

  @Roles('owner')
  @AnsweredOnce()
  @Post('invitations')
  @ApiOperation({ summary: 'Make a link for somebody; its token is told this once' })
  @bodyOf(InvitationDto)
  invite(@Body() { role, who }: InvitationDto): Promise<MadeLinkView> {
    return this.links.invite(role, who ?? '');
  }

  @Roles('owner')
  @Delete('invitations/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Withdraw an invitation' })
  withdraw(@Param('id', uuid('invitation')) id: string): Promise<void> {
    return this.links.withdraw(id);
  }

  @Roles('viewer')
  @Post('leave')
  @HttpCode(204)
  @ApiOperation({ summary: 'Leave the workshop' })
  leave(): Promise<void> {
    return this.accounts.remove(currentUser().personId);
  }

  @Roles('owner')
  @Put(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Give a member another role' })
  @bodyOf(RoleDto)
  setRole(@Param('id', uuid('member')) id: string, @Body() { role }: RoleDto): Promise<void> {
    return this.accounts.setRole(id, role);
  }

  @Roles('owner')
  @Delete(':id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Send a member away; what they did stays' })
  remove(@Param('id', uuid('member')) id: string): Promise<void> {
    return this.accounts.remove(id);
  }

  @Roles('owner')
  @AnsweredOnce()
  @Post(':id/link')
  @ApiOperation({ summary: 'Make a link by which a member chooses a new password' })
  link(@Param('id', uuid('member')) id: string): Promise<MadeLinkView> {
    return this.links.forPassword(id);
  }
}
