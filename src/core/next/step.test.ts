import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';
import { endlessRun } from '../../../tests/support/nextRun';
import { DEFAULT_PACKING } from '@/core/brief';
import { fieldOf } from './field';
import { oneStep } from './step';

it('sees what a thing does alone, beside what does nothing: a second camera for what is asked for twice', async () => {
  const shelf = aShelf(
    [
      aLens('short', 35, 50, 2.8),
      aLens('zoom', 50, 200, 2.8),
      aLens('useless', 400, 400, 5.6, { ownership: 'wished' }),
    ],
    [],
    [aBody({ id: 'one' }), aBody({ id: 'second', ownership: 'wished' })],
  );
  const frames = [
    focalFrame('vows', 50, 50, 'held', { twice: { by: 'bodies' } }),
    focalFrame('far', 180, 200, 'held'),
    focalFrame('near', 35, 35, 'held'),
  ];
  const limits = someLimits({ maxCrop: 1, sources: ['owned'] as never });
  const field = fieldOf({
    outings: [
      {
        id: 'wedding',
        timesAYear: 1,
        question: {
          ...aQuestion({
            shelf: aShelf(shelf.lenses.slice(0, 2), [], [shelf.bodies[0]!]),
            frames,
            limits,
          }),
          outing: { shooters: [], currency: 'EUR' },
          packing: DEFAULT_PACKING,
        },
      },
    ],
    shelf,
    neverSold: [],
    terms: { buy: 'new', resalePercent: 75 },
    after: 'money',
  });
  const { before, things } = oneStep(field, await endlessRun());
  expect([before.year.musts, before.year.once, before.year.items]).toEqual([3, 1, 2]);
  const adds = Object.fromEntries(
    things.map(({ id, adds: a }) => [id, [a.musts, a.once, a.items]]),
  );
  expect(adds).toEqual({ second: [0, -1, 0], useless: [0, 0, 0] });
});
