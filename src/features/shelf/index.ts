/** Shelf: all gear known, edited, brought in and taken out. */
export { ShelfPlace } from './ShelfPlace';
