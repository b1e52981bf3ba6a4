import type { CustomerView, ForgottenWearerView } from '@coiled-strand/contract';
import { Controller, Get, HttpCode, Module, Param, Post } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { uuid } from '../http/uuid.pipe.js';
import { Roles } from '../identity/roles.js';
import { PrivacyService } from './privacy.service.js';

@ApiTags('privacy')
@Controller()
export class PrivacyController {
  constructor(private readonly privacy: PrivacyService) {}

  @Roles('owner')
  @Get('customers')
  @ApiOperation({ summary: 'Everybody who ordered something and was not forgotten' })
  customers(): Promise<CustomerView[]> {
    return this.privacy.customers();
  }

  @Roles('owner')
  @Get('customers/:id/data')
  @ApiOperation({ summary: 'Everything that is kept of a customer' })
  customer(@Param('id', uuid('customer')) id: string): Promise<object> {
    return this.privacy.customer(id);
  }

  @Roles('owner')
  @Post('customers/:id/forget')
  @HttpCode(204)
  @ApiOperation({ summary: 'Forget name and contact of a customer, and notes; figures stay' })
  forgetCustomer(@Param('id', uuid('customer')) id: string): Promise<void> {
    return this.privacy.forgetCustomer(id);
  }

  @Roles('owner')
  @Get('wearers/:id/data')
  @ApiOperation({ summary: 'Everything that is kept of a wearer' })
  wearer(@Param('id', uuid('wearer')) id: string): Promise<object> {
    return this.privacy.wearer(id);
  }

  @Roles('owner')
  @Post('wearers/:id/forget')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Forget a wearer: off the list, and nameless in what was made; girths stay there',
  })
  forgetWearer(@Param('id', uuid('wearer')) id: string): Promise<ForgottenWearerView> {
    return this.privacy.forgetWearer(id);
  }
}

@Module({ controllers: [PrivacyController], providers: [PrivacyService] })
export class PrivacyModule {}
