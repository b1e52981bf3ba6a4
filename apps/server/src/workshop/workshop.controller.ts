import {
  PreferencesDto,
  PricingDto,
  SettingsDto,
  WeekDto,
  type WorkshopView,
} from '@coiled-strand/contract';
import { PRICING } from '@coiled-strand/workshop';
import { Body, Controller, Get, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { Roles } from '../identity/roles.js';
import { invalid } from '../errors/app-error.js';
import { bodyOf } from '../openapi/body-of.js';
import { CurrentWorkshop } from './current-workshop.js';
import { USUAL_WEEK } from './usual-week.js';
import type { Workshop } from '../rows/workshop.entity.js';

const view = ({ name, maker, settings, week, pricing }: Workshop): WorkshopView => ({
  name,
  maker,
  settings,
  week: week ?? USUAL_WEEK,
  pricing: pricing ?? PRICING,
});

@ApiTags('workshop')
@Controller('workshop')
export class WorkshopController {
  constructor(private readonly current: CurrentWorkshop) {}

  @Roles('viewer')
  @Get()
  @ApiOperation({ summary: 'The workshop and its settings' })
  async get(): Promise<WorkshopView> {
    return view(await this.current.get());
  }

  @Roles('maker')
  @Put('settings')
  @ApiOperation({ summary: 'Change rounding step, confidence and what else is the workshop’s' })
  @bodyOf(SettingsDto)
  async put(@Body() settings: SettingsDto): Promise<WorkshopView> {
    return view(await this.current.changeSettings(settings));
  }

  @Roles('viewer')
  @Put('preferences')
  @ApiOperation({
    summary: 'Change the units and the leading hand of whoever asks, for all their workshops',
  })
  @bodyOf(PreferencesDto)
  async putPreferences(@Body() preferences: PreferencesDto): Promise<WorkshopView> {
    await this.current.prefer(preferences);
    return view(await this.current.get());
  }

  @Roles('maker')
  @Put('week')
  @ApiOperation({ summary: 'Hours at the bench, days off, and what was put to a time by hand' })
  @bodyOf(WeekDto)
  async putWeek(@Body() week: WeekDto): Promise<WorkshopView> {
    const faults = week.days.flatMap(({ hours }, d) =>
      hours.flatMap(({ from, to }, h) =>
        from < to
          ? []
          : [{ path: `days[${d}].hours[${h}].to`, message: 'must be later than it begins' }],
      ),
    );
    if (faults.length > 0) throw invalid(faults, 'The week');
    return view(await this.current.change({ week }));
  }

  @Roles('owner')
  @Put('pricing')
  @ApiOperation({ summary: 'How prices are made' })
  @bodyOf(PricingDto)
  async putPricing(@Body() pricing: PricingDto): Promise<WorkshopView> {
    return view(await this.current.change({ pricing }, 'workshop.pricing'));
  }
}
