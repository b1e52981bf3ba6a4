import type { WorkshopView } from '@coiled-strand/contract';
import { PRICING } from '@coiled-strand/workshop';
import { contentTag } from '../http/etag.js';
import type { Workshop } from '../rows/workshop.entity.js';
import { USUAL_WEEK } from './usual-week.js';

/** A workshop as it is told of. What a person prefers is in its settings, and no part of their ETag. */
export function workshopView(row: Workshop): WorkshopView {
  const { name, maker, settings } = row;
  const { unit: _unit, cordUnit: _cordUnit, hand: _hand, ...common } = settings;
  const week = row.week ?? USUAL_WEEK;
  const pricing = row.pricing ?? PRICING;
  const etags = {
    settings: contentTag(common),
    week: contentTag(week),
    pricing: contentTag(pricing),
  };
  return { name, maker, settings, week, pricing, etags };
}
