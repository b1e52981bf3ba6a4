/** The pages of one’s own knots, which come together with the board. */
export { KnotsPage } from './features/knots/pages/knots/knots-page';
export { BoardPage } from './features/knots/pages/knots/board-page';
export { KnotBookPage } from './features/knots/pages/knot-book/knot-book-page';
export { EntryPage } from './features/knots/pages/knot-book/entry-page';
