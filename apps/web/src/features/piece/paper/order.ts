import type { PaperSize, Piece, Plan } from '@coiled-strand/core';
import { bookletPdf, type BookletChoice } from './booklet';
import { cutListPdf } from './cut-list';
import type { Printed } from './document';
import type { PaperFonts } from './fonts';
import { cordLabelsPdf, tagsPdf, type Tag, type TagSize } from './labels';
import { stripPdf, type PaperChoice } from './strip';

/** Something to be put on paper. */
export type PaperOrder =
  | {
      readonly what: 'strip' | 'cut-list' | 'cord-labels';
      readonly piece: Piece;
      readonly plan: Plan;
      readonly choice: PaperChoice;
    }
  | {
      readonly what: 'booklet';
      readonly piece: Piece;
      readonly plan: Plan;
      readonly choice: BookletChoice;
    }
  | {
      readonly what: 'tags';
      readonly title: string;
      readonly tags: readonly Tag[];
      readonly size: TagSize;
      readonly paper: PaperSize;
    };

/** The file for an order. */
export function printed(order: PaperOrder, fonts: PaperFonts): Promise<Printed> {
  switch (order.what) {
    case 'strip':
      return stripPdf(order.piece, order.plan, order.choice, fonts);
    case 'cut-list':
      return cutListPdf(order.piece, order.plan, order.choice, fonts);
    case 'cord-labels':
      return cordLabelsPdf(order.piece, order.plan, order.choice, fonts);
    case 'booklet':
      return bookletPdf(order.piece, order.plan, order.choice, fonts);
    case 'tags':
      return tagsPdf(order.title, order.tags, order.size, order.paper, fonts);
  }
}
