/** The pages of one’s own knots, which come together with the board. */
export { KnotsPage } from './pages/knots/knots-page';
export { BoardPage } from './pages/knots/board-page';
export { KnotBookPage } from './pages/knot-book/knot-book-page';
export { EntryPage } from './pages/knot-book/entry-page';
