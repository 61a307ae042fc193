import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aShooter,
  aStretch,
  focalFrame,
  assignmentsOf,
  someLimits,
} from '../../../tests/support/gear';
import { solveWith } from '../../../tests/support/solve';
import { DEFAULT_PACKING, NOTHING_SPECIAL, shooterId } from '@/core/brief';
import { loadHighsSolver } from '@/solver';
import { carryAnswer, type CarryQuestion, packingList, solveCarried } from '.';

const solving = loadHighsSolver();

async function planned(question: CarryQuestion) {
  const result = solveWith(await solving, question);
  return { result, answer: carryAnswer(question, result) };
}

type Parts = Omit<Parameters<typeof aQuestion>[0], 'outing'> & {
  readonly shooters?: CarryQuestion['outing']['shooters'];
};
const asked = (
  { shooters = [], ...parts }: Parts,
  packing: Partial<CarryQuestion['packing']> = {},
): CarryQuestion => ({
  ...aQuestion(parts),
  outing: { currency: 'EUR', shooters },
  packing: { ...DEFAULT_PACKING, pictures: 400, ...packing },
});

const made = (answer: Awaited<ReturnType<typeof planned>>['answer']) =>
  answer.plan.stretches.flatMap((s) =>
    s.hands.flatMap((h) =>
      h.doings.flatMap((d) => (d.kind === 'frame' ? [d.frameId as string] : [])),
    ),
  );

describe('what each shooter holds', () => {
  const lenses = [
    aLens('24-70', 24, 70, 2.8, { maxMagnification: 0.2 }),
    aLens('70-200', 70, 200, 2.8, { maxMagnification: 0.2 }),
    aLens('macro', 100, 100, 2.8, { maxMagnification: 1, minFocusM: 0.3 }),
  ];
  const bodies = ['a', 'b', 'c', 'd'].map((id) => aBody({ id }));
  const frames = [
    focalFrame('morning', 24, 70, 'flowing', { stretchIds: ['morning'] }),
    focalFrame('noon', 100, 100, 'free', {
      stretchIds: ['noon'],
      need: {
        kind: 'subject',
        widthM: 0.03,
        heightM: null,
        fromM: 0.3,
        toM: 0.5,
        fill: { min: 0.5, max: 1 },
        orientation: 'landscape',
        footing: 'free',
      },
      special: { ...NOTHING_SPECIAL, magnification: 0.8 },
    }),
    focalFrame('afternoon', 70, 200, 'flowing', { stretchIds: ['afternoon'] }),
    focalFrame('evening', 24, 70, 'flowing', { stretchIds: ['evening'] }),
  ];
  const day = (...shooters: string[]) =>
    ['morning', 'noon', 'afternoon', 'evening'].map((id, i) =>
      aStretch(id, {
        day: '2027-06-12',
        fromTime: `${10 + i}:00`,
        toTime: `${11 + i}:00`,
        hands: shooters.map((s) => ({
          ...assignmentsOf(s, { bodyIds: s === 'lead' ? ['a', 'b'] : ['c', 'd'], bodies: 2 }),
        })),
      }),
    );

  it('is decided with the changes: one is enough, with the second shooter there or not', async () => {
    const changes = async (...shooters: string[]) => {
      const { answer } = await planned(
        asked({
          shooters: [aShooter('lead'), aShooter('second')],
          stretches: day(...shooters),
          shelf: aShelf(lenses, [], bodies),
          frames: frames.map((f) => ({ ...f, shooterIds: [shooterId.parse('lead')] })),
          limits: someLimits(),
        }),
      );
      expect(answer.plan.proven).toBe(true);
      expect(made(answer)).toHaveLength(4);
      return answer.plan.changes;
    };
    expect([await changes('lead'), await changes('lead', 'second')]).toEqual([1, 1]);
  });

  it('shows both who cover a picture from their own places', async () => {
    const { answer } = await planned(
      asked({
        shooters: [aShooter('lead'), aShooter('second')],
        stretches: [aStretch('rite', { hands: [assignmentsOf('lead'), assignmentsOf('second')] })],
        shelf: aShelf([aLens('x', 50, 50, 2), aLens('y', 50, 50, 2)], [], bodies),
        frames: [
          focalFrame('entrance', 50, 50, 'free', {
            twice: { by: 'people', shooterIds: ['lead', 'second'] },
          }),
        ],
      }),
    );
    const [rite] = answer.plan.stretches;
    const doing = rite!.hands.map((h) => [
      h.shooterId,
      h.doings.some((d) => d.kind === 'frame' && d.frameId === 'entrance'),
    ]);
    expect(doing).toEqual([
      ['lead', true],
      ['second', true],
    ]);
  });

  it('is nothing for somebody with nothing to photograph', async () => {
    const { answer } = await planned(
      asked({
        shooters: [aShooter('lead'), aShooter('second')],
        stretches: [
          aStretch('rite', {
            hands: [
              assignmentsOf('lead', { bodyIds: ['a'] }),
              assignmentsOf('second', { bodyIds: ['b'] }),
            ],
          }),
        ],
        shelf: aShelf([aLens('x', 50, 50, 2)], [], bodies),
        frames: [focalFrame('entrance', 50, 50, 'free', { shooterIds: ['lead'] })],
      }),
    );
    const carried = answer.plan.stretches.flatMap((s) => s.hands).filter((h) => h.weights.allG > 0);
    expect(carried.map((h) => h.shooterId)).toEqual(['lead']);
  });
});

it('a day on which nothing is photographed is not the heaviest', async () => {
  const { answer } = await planned(
    asked(
      {
        shelf: aShelf([aLens('x', 50, 50, 2)]),
        frames: [focalFrame('near', 50, 50, 'free', { want: 'bonus' })],
        stretches: [aStretch('rest', { day: '2027-06-12' })],
      },
      { bagWeightG: 900 },
    ),
  );
  expect(made(answer)).toEqual([]);
  expect(answer.plan.worst).toBeNull();
});

it('a placed camera is no one’s weight, and is packed', async () => {
  const question = asked({
    shooters: [aShooter('lead'), aShooter('roof', true)],
    stretches: [
      aStretch('rite', {
        hands: [
          assignmentsOf('lead', { bodyIds: ['a'] }),
          assignmentsOf('roof', { bodyIds: ['b'] }),
        ],
      }),
    ],
    shelf: aShelf(
      [aLens('x', 50, 50, 2), aLens('y', 20, 20, 2)],
      [],
      [aBody({ id: 'a', weightG: 500 }), aBody({ id: 'b', weightG: 500 })],
    ),
    frames: [
      focalFrame('near', 50, 50, 'free', { shooterIds: ['lead'] }),
      focalFrame('above', 20, 20, 'free', { shooterIds: ['roof'] }),
    ],
  });
  const { answer } = await planned(question);
  expect(made(answer).sort()).toEqual(['above', 'near']);
  expect(answer.plan.worst).toMatchObject({ shooterId: 'lead', weightG: 1000 });
  expect(packingList(question, answer.plan).map((l) => l.id)).toEqual(
    expect.arrayContaining(['a', 'b', 'x', 'y']),
  );
});

it.each([40, 100])('%i pictures in a stretch of free order are all made', async (count) => {
  const lenses = [aLens('wide', 20, 20, 4), aLens('mid', 50, 50, 4), aLens('tele', 200, 200, 4)];
  const frames = Array.from({ length: count }, (_, i) =>
    focalFrame(`p${i}`, [20, 50, 200][i % 3]!, [20, 50, 200][i % 3]!, 'free', {
      stretchIds: ['day'],
    }),
  );
  const { answer } = await planned(
    asked(
      { shelf: aShelf(lenses), frames, stretches: [aStretch('day')] },
      { anyOrder: ['day'] as never },
    ),
  );
  expect(new Set(made(answer)).size).toBe(count);
  // The first lens is on before: two more must be put on, and fewer cannot do.
  expect(answer.plan).toMatchObject({ proven: true, changes: 2 });
});

describe('a limit on all that is carried', () => {
  const lenses = [
    aLens('zoom', 24, 70, 4, { weightG: 900 }),
    aLens('prime', 24, 24, 4, { weightG: 200 }),
  ];
  const within = async (maxCarriedWeightG: number) =>
    solveCarried(
      await solving,
      asked(
        {
          shelf: aShelf(lenses, [], [aBody({ weightG: 500, picturesPerCharge: 300, fileMb: 30 })]),
          frames: [
            focalFrame('near', 24, 24, 'free'),
            focalFrame('far', 70, 70, 'free', { want: 'want' }),
          ],
          limits: someLimits({ maxCarriedWeightG }),
        },
        { bagWeightG: 700, things: [{ id: 'water', name: 'Water', weightG: 500 }] as never },
      ),
      { timeLimitS: 60, now: () => 0 },
    );

  it('is kept by the choice: bag, things, tripod, batteries and cards count', async () => {
    const loose = await within(6000);
    expect(loose.lineup.lensIds).toEqual(['zoom']);
    const tight = await within(3800);
    expect(tight.lineup.lensIds).toEqual(['prime']);
    expect(tight.carried).toMatchObject({ agrees: true });
    expect(tight.carried!.weightG).toBeLessThanOrEqual(3800);
    expect(tight.carried!.weightG).toBeGreaterThanOrEqual(700 + 500 + 500 + 200 + 1500);
  });

  it('is said not to be kept where nothing keeps it', async () => {
    const none = await within(1000);
    expect(none.totals.musts.got).toBe(0);
  });
});

it('a spare body is packed where it lies, and makes no picture', async () => {
  const bodies = [aBody({ id: 'a' }), aBody({ id: 'b' })];
  const question = asked({
    shelf: aShelf([aLens('x', 50, 50, 2)], [], bodies),
    frames: [focalFrame('near', 50, 50, 'free')],
    limits: someLimits({ spares: [{ bodyId: 'b' as never, lies: 'base' }] }),
  });
  const { answer } = await planned(question);
  expect(packingList(question, answer.plan)).toContainEqual(
    expect.objectContaining({ code: 'spare-body', bodyId: 'b', lies: 'base', count: 1 }),
  );
  expect(answer.plan.worst?.weightG).toBe(1100);
});

describe('batteries charged each night', () => {
  const DAYS = ['2027-06-12', '2027-06-13', '2027-06-14'];
  const batteries = async (frames: CarryQuestion['frames'], pictures: number) => {
    const question = asked(
      {
        stretches: DAYS.map((day, i) => aStretch(`day${i}`, { day })),
        shelf: aShelf([aLens('x', 50, 50, 2)], [], [aBody({ id: 'a', picturesPerCharge: 100 })]),
        frames,
      },
      { pictures, charging: { kind: 'nightly' } },
    );
    const { answer } = await planned(question);
    return packingList(question, answer.plan).find((l) => l.code === 'batteries');
  };

  it('are for the busiest day, wherever it is', async () => {
    const frames = [
      focalFrame('first', 50, 50, 'free', { stretchIds: ['day0'], sharePercent: 10 }),
      focalFrame('second', 50, 50, 'free', { stretchIds: ['day1'], sharePercent: 90 }),
    ];
    expect(await batteries(frames, 900)).toMatchObject({ pictures: 810, count: 10 });
  });

  it('are for a third of what may be made on any of three days', async () => {
    const frames = [focalFrame('any', 50, 50, 'free')];
    expect(await batteries(frames, 900)).toMatchObject({ pictures: 300, count: 4 });
  });
});
