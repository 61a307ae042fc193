/** What to buy, sell, exchange or rent, over all outings. */
export { NextPage } from './NextPage';
