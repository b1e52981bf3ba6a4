import {
  PreferencesDto,
  PricingDto,
  SettingsDto,
  WeekDto,
  type WorkshopView,
} from '@coiled-strand/contract';
import { Body, Controller, Get, Headers, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { invalid } from '../errors/app-error.js';
import { bodyOf, IfMatch } from '../openapi/body-of.js';
import { CurrentWorkshop } from './current-workshop.js';
import { workshopView } from './workshop-view.js';

@ApiTags('workshop')
@Controller('workshop')
export class WorkshopController {
  constructor(private readonly current: CurrentWorkshop) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The workshop and its settings' })
  async get(): Promise<WorkshopView> {
    return workshopView(await this.current.get());
  }

  @Roles('maker')
  @Put('settings')
  @ApiOperation({ summary: 'Change rounding step, confidence and what else is the workshop’s' })
  @IfMatch()
  @bodyOf(SettingsDto)
  async put(
    @Headers('if-match') seen: string | undefined,
    @Body() settings: SettingsDto,
  ): Promise<WorkshopView> {
    return workshopView(await this.current.changeSettings(settings, seen));
  }

  @Roles('viewer')
  @Put('preferences')
  @ApiOperation({
    summary: 'Change the units and the leading hand of whoever asks, for all their workshops',
  })
  @bodyOf(PreferencesDto)
  async putPreferences(@Body() preferences: PreferencesDto): Promise<WorkshopView> {
    await this.current.prefer(preferences);
    return workshopView(await this.current.get());
  }

  @Roles('maker')
  @Put('week')
  @ApiOperation({ summary: 'Hours at the bench, days off, and what was put to a time by hand' })
  @IfMatch()
  @bodyOf(WeekDto)
  async putWeek(
    @Headers('if-match') seen: string | undefined,
    @Body() week: WeekDto,
  ): Promise<WorkshopView> {
    const faults = week.days.flatMap(({ hours }, d) =>
      hours.flatMap(({ from, to }, h) =>
        from < to
          ? []
          : [{ path: `days[${d}].hours[${h}].to`, message: 'must be later than it begins' }],
      ),
    );
    if (faults.length > 0) throw invalid(faults, 'The week');
    return workshopView(await this.current.changePart('week', week, seen));
  }

  @Roles('owner')
  @Put('pricing')
  @ApiOperation({ summary: 'How prices are made' })
  @IfMatch()
  @bodyOf(PricingDto)
  async putPricing(
    @Headers('if-match') seen: string | undefined,
    @Body() pricing: PricingDto,
  ): Promise<WorkshopView> {
    return workshopView(
      await this.current.changePart('pricing', pricing, seen, 'workshop.pricing'),
    );
  }
}
