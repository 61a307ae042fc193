/** Shelf: all gear known, edited, brought in and taken out. */
export { ShelfPage } from './ShelfPage';
