import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';
import { DEFAULT_PACKING } from '@/core/brief';
import { fieldOf } from './field';
import { leftAlone } from './spares';

/** Two of each: whatever one of them breaks, the other stands in. */
const shelf = aShelf(
  [
    aLens('wide', 16, 35, 4),
    aLens('normal', 24, 70, 2.8),
    aLens('long', 70, 200, 2.8),
    aLens('longer', 100, 400, 5.6),
    aLens('wished', 24, 70, 2.8, { ownership: 'wished' }),
    aLens('lent', 24, 70, 4, { ownership: 'borrowed' }),
  ],
  [],
  [aBody({ id: 'one' }), aBody({ id: 'two' })],
);
const must = (id: string, mm: number, want = 'must') => focalFrame(id, mm, mm, 'held', { want });
const outingOf = (
  id: string,
  sources: readonly string[],
  ...frames: ReturnType<typeof must>[]
) => ({
  id,
  timesAYear: 1,
  question: {
    ...aQuestion({ shelf, frames, limits: someLimits({ maxCrop: 1, sources: sources as never }) }),
    outing: { shooters: [], currency: 'EUR' },
    packing: DEFAULT_PACKING,
  },
});
const fieldFor = (...outings: ReturnType<typeof outingOf>[]) =>
  fieldOf({
    outings,
    shelf,
    neverSold: [],
    terms: { buy: 'new', resalePercent: 75 },
    after: 'money',
  });
const OWN = ['wide', 'normal', 'long', 'longer', 'one', 'two'];
const after = (field: ReturnType<typeof fieldFor>, ...gone: string[]) =>
  leftAlone(field, new Set(OWN), new Set(gone));

describe('what stands alone once things are sold', () => {
  const field = fieldFor(
    outingOf('walk', ['owned'], must('room', 30), must('sky', 18), must('stage', 150)),
    outingOf('hall', ['owned'], must('face', 120), must('rows', 30, 'want')),
  );

  it('is the last lens for a must that two covered, in each outing', () => {
    expect(after(field, 'normal').lenses).toEqual([
      { lensId: 'wide', musts: [{ outing: 0, frameId: 'room' }] },
    ]);
    expect(after(field, 'long').lenses).toEqual([
      {
        lensId: 'longer',
        musts: [
          { outing: 0, frameId: 'stage' },
          { outing: 1, frameId: 'face' },
        ],
      },
    ]);
    // Alone already, or gone altogether, nothing is the last of several.
    expect(after(field).lenses).toEqual([]);
    expect(after(field, 'long', 'longer').lenses).toEqual([]);
  });

  it('what is borrowed for an outing stands in there; what is wished doesn’t', () => {
    const lent = fieldFor(outingOf('walk', ['owned', 'borrowed'], must('room', 30)));
    expect(after(lent, 'normal').lenses).toEqual([]);
    expect(after(lent, 'normal', 'wide').lenses).toEqual([
      { lensId: 'lent', musts: [{ outing: 0, frameId: 'room' }] },
    ]);
  });

  it('is the last camera of several', () => {
    expect([
      after(field).bodyId,
      after(field, 'two').bodyId,
      after(field, 'one', 'two').bodyId,
    ]).toEqual([null, 'one', null]);
  });
});
