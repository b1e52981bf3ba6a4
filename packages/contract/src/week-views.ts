import type { Reading } from '@coiled-strand/core';
import type { MovementReason, Task, Thing, Took } from '@coiled-strand/workshop';
import type { CutDto, CuttingSessionDto } from './cutting.dto.js';
import type { ShoppingItemDto } from './buying.dto.js';
import type { KitDto } from './kit.dto.js';
import type { LotForm } from './lot.dto.js';
import type { OrderDto, OrderLineDto, OrderState } from './order.dto.js';

// What the server answers with of the week. Days are '2026-12-05', times ISO 8601 in UTC, money whole cents.

export interface LotView {
  readonly id: string;
  readonly thing: Thing;
  /** What makes two things the same. */
  readonly key: string;
  readonly form: LotForm;
  readonly place: string;
  /** null where it was not noted. */
  readonly dyeLot: string | null;
  readonly boughtOn: string | null;
  /** What it cost; null where nobody knows. Of an offcut its share of what it was cut from. */
  readonly cents: number | null;
  /** When it was new: mm of cord, pieces of anything else. */
  readonly size: number;
  readonly left: number;
  /** Whether nothing went out of it yet. */
  readonly whole: boolean;
  /** The lot that it is an offcut of. */
  readonly parent: string | null;
  readonly tare: number | null;
  readonly grams: number | null;
  readonly useful: number | null;
  /** Of what is known of it besides its amount: what a change of that sends as If-Match. */
  readonly etag: string;
  readonly at: string;
}

export interface MovementView {
  readonly id: string;
  readonly lot: string;
  readonly amount: number;
  readonly reason: MovementReason;
  readonly note: string;
  readonly grams: number | null;
  readonly at: string;
  /** The movement whose opposite it is. */
  readonly undoes: string | null;
  /** Whether another is its opposite. */
  readonly undone: boolean;
  /** What it was for. */
  readonly make: { readonly id: string; readonly name: string; readonly number: number } | null;
  readonly strand: number | null;
  readonly cutting: { readonly id: string; readonly name: string } | null;
}

/** A cut of a session that was made. */
export interface CutMadeView {
  readonly cut: string;
  readonly movement: string;
  readonly lot: string;
  readonly length: number;
}

/** A cut of a session that went into no make yet. */
export interface CutForView {
  readonly strand: number;
  readonly cut: string;
  readonly lot: string;
  readonly length: number;
  readonly cutting: { readonly id: string; readonly name: string };
}

export interface CuttingView extends Pick<
  CuttingSessionDto,
  'name' | 'lots' | 'proof' | 'oneDyeLot'
> {
  readonly id: string;
  readonly note: string;
  readonly cuts: readonly CutDto[];
  readonly made: readonly CutMadeView[];
  readonly at: string;
  readonly closedAt: string | null;
}

/** A session on the list of them. */
export interface CuttingSummary {
  readonly id: string;
  readonly name: string;
  readonly at: string;
  readonly closedAt: string | null;
  readonly cuts: number;
  readonly made: number;
}

export interface ShoppingItemView {
  readonly id: string;
  readonly item: ShoppingItemDto;
  readonly ticked: boolean;
  /** How many packs of it have come. */
  readonly arrived: number;
}

/** All that is to be bought and has not come yet, in sums. */
export interface ShoppingTotalsView {
  /** What it costs together, as far as prices are known. */
  readonly cents: number;
  /** Whether something on it has no price. */
  readonly unpriced: boolean;
  /** How much of each thing is on its way: mm of cord, pieces of anything else. */
  readonly coming: readonly { readonly key: string; readonly amount: number }[];
}

export interface OrderLineView extends Required<OrderLineDto> {
  /** Makes of it that are logged, and under way. */
  readonly made: number;
  readonly underWay: number;
}

export interface OrderView {
  readonly id: string;
  readonly state: OrderState;
  readonly order: Required<Omit<OrderDto, 'lines'>> & { readonly lines: readonly OrderLineView[] };
  readonly customerId: string;
  /** Whether name and contact were forgotten. */
  readonly forgotten: boolean;
  readonly askedAt: string;
  readonly changedAt: string;
  /** Of what was ordered: what a change of that sends as If-Match. */
  readonly etag: string;
}

/** Something to be made, with its tasks by this hand. */
export interface JobView {
  readonly id: string;
  /** With its number among several alike. */
  readonly name: string;
  /** The same without, and with its size where one was ordered. */
  readonly what: string;
  readonly pieceId: string | null;
  readonly makeId: string | null;
  readonly orderId: string | null;
  readonly lineId: string | null;
  /** Who waits for it. */
  readonly customer: string | null;
  /** The day it is promised for. */
  readonly due: string | null;
  /** Nothing can be done on it before: something cures. */
  readonly release: string | null;
  /** What is waited for until then. */
  readonly waitsFor: string | null;
  readonly tasks: readonly Omit<Task, 'job'>[];
}

export interface JobsView {
  readonly jobs: readonly JobView[];
  /** Lines of orders that cannot be planned: no piece, or one that cannot be made as it is. */
  readonly unplanned: readonly {
    readonly orderId: string;
    readonly lineId: string;
    readonly what: string;
    readonly number: number;
  }[];
  /** Minutes that logged makes were thought to take, and took, the last first. */
  readonly took: readonly Took[];
}

export interface KitView {
  readonly id: string;
  readonly kit: KitDto;
  readonly packed: number;
  readonly at: string;
}

/** Something that an instrument says: a reading, or that it is there or gone. */
export interface InstrumentView {
  readonly instrument: Reading['instrument'];
  readonly here: boolean;
  /** The last reading; null while it says nothing. */
  readonly reading: Reading | null;
  /** Whether it is a stand-in that can be turned from the panel. */
  readonly simulated: boolean;
}
