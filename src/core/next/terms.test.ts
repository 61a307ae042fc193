import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';
import { endlessRun } from '../../../tests/support/nextRun';
import { DEFAULT_PACKING, type Frame, type Limits } from '@/core/brief';
import { type Body, type Lens } from '@/core/gear';
import { fieldOf } from './field';
import { buyOnce } from './once';
import { rentOrBuy } from './rent';
import { selling } from './sell';
import { oneStep, withChanges } from './step';
import { swapping } from './swap';

/** The terms one by one, each by the smallest case in which it decides; by hand. */

interface Posed {
  readonly lenses: readonly Lens[];
  readonly bodies?: readonly Body[];
  readonly frames: readonly Frame[];
  readonly limits?: Partial<Limits> | Record<string, unknown>;
  readonly timesAYear?: number;
  readonly resalePercent?: number;
  readonly more?: Record<string, unknown>;
}

function posed({ lenses, bodies = [aBody({ id: 'one' })], frames, ...asked }: Posed) {
  const { limits = {}, timesAYear = 1, resalePercent = 75, more = {} } = asked;
  const isHad = ({ ownership }: Lens | Body) => ownership !== 'wished' && ownership !== 'lent-out';
  const question = aQuestion({
    shelf: aShelf(lenses.filter(isHad), [], bodies.filter(isHad)),
    frames,
    limits: someLimits({ maxCrop: 1, sources: ['owned'], ...limits } as never),
    ...more,
  });
  const outing = { shooters: [], currency: 'EUR' };
  return fieldOf({
    outings: [{ id: 'o', timesAYear, question: { ...question, outing, packing: DEFAULT_PACKING } }],
    shelf: aShelf(lenses, [], bodies),
    neverSold: [],
    terms: { buy: 'used', resalePercent },
    after: 'money',
  });
}
const want = (id: string, mm: number) => focalFrame(id, mm, mm, 'held', { want: 'want' });
const must = (id: string, mm: number, change = {}) => focalFrame(id, mm, mm, 'held', change);
const wished = (priceUsed: number) => ({ ownership: 'wished', priceUsed });

it('counts no item that is locked in against the wanted pictures', async () => {
  const { before } = oneStep(
    posed({
      lenses: [aLens('locked', 24, 24, 4), aLens('free', 50, 50, 4)],
      frames: [want('a', 24), want('b', 50)],
      limits: { lockedIn: ['locked'], wantRatePercent: 10 },
    }),
    await endlessRun(),
  );
  expect(before.year).toMatchObject({ sharePercent: 100, againstPercent: 10, items: 2 });
});

it('sells nothing by which the same pictures would take more items', async () => {
  const lenses = [
    aLens('zoom', 24, 50, 4, { priceUsed: 1000 }),
    aLens('short', 24, 24, 4, { priceUsed: 10 }),
    aLens('long', 50, 50, 4, { priceUsed: 10 }),
  ];
  const field = posed({
    lenses,
    frames: [want('a', 24), want('b', 50)],
    limits: { wantRatePercent: 10 },
  });
  expect(selling(field, await endlessRun()).unneeded.ids).toEqual(['long', 'short']);
});

it('names another exchange next, not the same again', async () => {
  const field = posed({
    lenses: [
      aLens('own', 24, 24, 4, { priceUsed: 100 }),
      aLens('w1', 50, 50, 4, wished(50)),
      aLens('w2', 50, 50, 4, wished(60)),
    ],
    frames: [must('a', 24), want('b', 50)],
  });
  const { exchanges } = swapping(field, 500, await endlessRun());
  const bought = exchanges.map(({ boughtIds }) => boughtIds.join());
  expect(bought.slice(0, 2)).toEqual(['w1', 'w2']);
  expect(new Set(bought).size).toBe(bought.length);
});

it('never breaks even below no day at all, where buying and selling brings money in', () => {
  const terms = { pricePerDay: 40, days: 2, timesAYear: 1, years: 2 };
  expect(rentOrBuy({ ...terms, price: 400, resale: 600 })).toMatchObject({
    buyAndSell: -200,
    breakEvenDaysAYear: 0,
    cheaper: 'buy',
  });
});

it('sells no spare, but what is lent out, for its share of the used price', () => {
  const { sellable, held } = posed({
    lenses: [
      aLens('here', 24, 24, 4, { priceUsed: 200 }),
      aLens('lent', 50, 50, 4, { priceUsed: 100, ownership: 'lent-out' }),
    ],
    bodies: [aBody({ id: 'one' }), aBody({ id: 'spare' })],
    frames: [must('a', 24)],
    limits: { spares: [{ bodyId: 'spare', lies: 'bag' }] },
  });
  expect(held).toEqual([{ id: 'spare', why: 'spare' }]);
  const resale = Object.fromEntries(sellable.map(({ id, resale: value }) => [id, value]));
  expect(resale).toEqual({ here: 150, lent: 75, one: null });
});

it('buys what costs a cent less, whatever the order of ids', async () => {
  const field = posed({
    lenses: [
      aLens('own', 24, 24, 4),
      aLens('a', 50, 50, 4, wished(100.01)),
      aLens('b', 50, 50, 4, wished(100)),
    ],
    frames: [must('m', 24), must('n', 50)],
  });
  expect(buyOnce(field, null, await endlessRun())?.boughtIds).toEqual(['b']);
});

it('sees what a thing does alone, beside what does nothing: a second camera for what is asked for twice', async () => {
  const field = posed({
    lenses: [
      aLens('short', 35, 50, 2.8),
      aLens('zoom', 50, 200, 2.8),
      aLens('useless', 400, 400, 5.6, wished(9)),
    ],
    bodies: [aBody({ id: 'one' }), aBody({ id: 'second', ownership: 'wished' })],
    frames: [must('vows', 50, { twice: { by: 'bodies' } }), must('far', 200), must('near', 35)],
  });
  const { before, things } = oneStep(field, await endlessRun());
  expect([before.year.musts, before.year.once, before.year.items]).toEqual([3, 1, 2]);
  const adds = Object.fromEntries(
    things.map(({ id, adds: a }) => [id, [a.musts, a.once, a.items]]),
  );
  expect(adds).toEqual({ second: [0, -1, 0], useless: [0, 0, 0] });
});

it('counts the changes that a second camera saves as often as the outing happens', async () => {
  const field = posed({
    lenses: [aLens('a', 24, 24, 4), aLens('b', 50, 50, 4)],
    bodies: [aBody({ id: 'one' }), aBody({ id: 'second', ownership: 'wished' })],
    frames: [must('m', 24), must('n', 50)],
    timesAYear: 3,
    more: { stretches: [aStretch('s')] },
  });
  const run = await endlessRun();
  const [second] = withChanges(field, oneStep(field, run), run).things;
  expect(second).toMatchObject({ id: 'second', changesSaved: 3 });
});
