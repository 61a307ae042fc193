import { readFileSync } from 'node:fs';
import { solveLineup, type LineupResult } from '@/core/lineup';
import { decode, type OutingFile } from '@/document';
import { loadHighsSolver } from '@/solver';
import { type BagItem, packBag } from './bag';
import { cautionsFor } from './cautions';
import { ev100OfSource } from '@/core/brief';
import { carriedWeight } from './packedWeight';
import { packingList, type PackingLine } from './packingList';
import { carryAnswer, type CarryAnswer } from './plan';
import { afterScenario, lostTo } from './scenario';

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;
const options = { timeLimitS: 30, now: () => 0 };

let result: LineupResult;
let answer: CarryAnswer;
beforeAll(async () => {
  result = solveLineup(await loadHighsSolver(), demo, options);
  answer = carryAnswer(demo, result);
});

describe('the plan of a whole outing', () => {
  it('makes every picture of the lineup, each with what is on a body then', () => {
    const { plan } = answer;
    expect(plan.unplanned).toEqual([]);
    const on = new Map<string, string>();
    let changes = 0;
    for (const stretch of plan.stretches) {
      for (const { bodyId, pieceIds: itemIds } of stretch.before) on.set(bodyId, itemIds.join());
      changes += stretch.before.length + stretch.changes;
      for (const assignment of stretch.hands) {
        for (const { bodyId, pieceIds: itemIds } of assignment.start)
          if (itemIds.length > 0) on.set(bodyId, itemIds.join());
        for (const doing of assignment.doings) {
          if (doing.kind === 'put') on.set(doing.on.bodyId, doing.on.pieceIds.join());
          else for (const w of doing.with) expect(on.get(w.bodyId)).toBe(w.pieceIds.join());
        }
      }
    }
    expect(changes).toBe(plan.changes);
    expect(plan.proven).toBe(true);
  });

  it('changes nothing where no lens may be changed, and shares no piece between hands', () => {
    for (const stretch of answer.plan.stretches) {
      if (!stretch.mayChange) expect(stretch.changes).toBe(0);
      const held = stretch.hands.flatMap((h) => [
        ...h.bag,
        ...h.start.flatMap((s) => [s.bodyId as string, ...s.pieceIds]),
      ]);
      expect(new Set(held).size).toBe(held.length);
    }
  });

  it('weighs what is in hand, on the shoulder and in the bag, by hand for the procession', () => {
    const lanterns = answer.plan.stretches.find((s) => s.stretchId === 'lanterns')!;
    const { weights, bag } = lanterns.hands[0]!;
    expect(bag).toEqual(['t-23']);
    // K1 658 with 70–300 680; T20 476 with 16–55 655; in the bag 23 mm 375, the bag itself 1450.
    expect(weights).toEqual({
      inHandG: 1338,
      shoulderG: 1131,
      bagG: 1825,
      allG: 4294,
      unknown: [],
    });
    expect(answer.plan.worst).toEqual({ stretchId: 'lanterns', shooterId: 'first', weightG: 4294 });
  });

  it('never takes more changes with more freedom of order', () => {
    expect(answer.changesAnyOrder).toBeLessThanOrEqual(answer.plan.changes);
    expect(answer.plan.changes).toBeLessThanOrEqual(answer.changesInOrder);
  });

  it('weighs no more when less weight comes first', () => {
    const light = carryAnswer({ ...demo, packing: { ...demo.packing, prefer: 'weight' } }, result);
    expect(light.plan.worst!.weightG).toBeLessThanOrEqual(answer.plan.worst!.weightG);
    expect(light.plan.changes).toBeGreaterThanOrEqual(answer.plan.changes);
  });
});

describe('the packing list', () => {
  const lineOf = (file: OutingFile, id: string) =>
    packingList(file, answer.plan).find((l) => l.id === id) as PackingLine;

  const batteriesOf = (file: OutingFile, bodyId: string) =>
    lineOf(file, `battery:${bodyId}`) as Extract<PackingLine, { code: 'batteries' }>;
  const withPacking = (packing: Partial<OutingFile['packing']>): OutingFile => ({
    ...demo,
    packing: { ...demo.packing, ...packing },
  });

  it('counts batteries for what one filling has to do, and one spare', () => {
    const nightly = batteriesOf(demo, 't20');
    const never = batteriesOf(withPacking({ charging: { kind: 'none' } }), 't20');
    expect(never.pictures).toBeGreaterThan(nightly.pictures);
    for (const line of [nightly, never])
      expect(line.count).toBe(Math.ceil(line.pictures / 340) + 1);
    const banked = withPacking({ charging: { kind: 'powerBank', charges: 4 } });
    const { fromBank, count } = batteriesOf(banked, 't20');
    expect(fromBank).toBeGreaterThan(0);
    expect(count).toBe(Math.ceil(Math.ceil(never.pictures / 340) - fromBank) + 1);
    expect(lineOf(banked, 'power-bank')).toMatchObject({ charges: 4, count: 1 });
  });

  it('counts fewer charges for what is made in the cold, and only for that', () => {
    const cold = withPacking({ coldPercent: 60 });
    expect(batteriesOf(cold, 't20').count).toBe(batteriesOf(demo, 't20').count);
    const wintry = {
      ...cold,
      stretches: cold.stretches.map((s) => ({ ...s, weather: ['cold' as const] })),
    };
    const line = batteriesOf(wintry, 't20');
    expect(line.cold).toBeCloseTo(line.pictures, -1);
    expect(line.count).toBe(Math.ceil(line.cold / (340 * 0.4)) + 1);
  });

  it('gives each slot a card that holds everything, and one spare for a kind of card, or for a body', () => {
    const line = lineOf(demo, 'card:k1') as Extract<PackingLine, { code: 'cards' }>;
    expect(line.neededGb).toBeCloseTo((line.pictures * 28) / 1000, 9);
    expect(line.cardGb).toBeGreaterThanOrEqual(line.neededGb);
    expect(line.count).toBe(2);
    const many = {
      ...withPacking({ pictures: 200_000 }),
      shelf: { ...demo.shelf, bodies: demo.shelf.bodies.map((b) => ({ ...b, fileMb: 400 })) },
    };
    const full = lineOf(many, 'card:k1') as Extract<PackingLine, { code: 'cards' }>;
    expect(full.aSlot * full.cardGb).toBeGreaterThanOrEqual(full.neededGb);
    expect(full.count).toBe(2 * full.aSlot);
    expect(full.aSlot).toBeGreaterThan(1);
    const spares = (spareCards: 'shared' | 'each', cardType: string | null) => {
      const file = withPacking({ spareCards });
      const bodies = file.shelf.bodies.map((body) => ({ ...body, cardType }));
      return packingList({ ...file, shelf: { ...file.shelf, bodies } }, answer.plan)
        .filter((l) => l.code === 'spare-card')
        .map((l) => l.bodyIds.length);
    };
    expect(spares('shared', 'card of one kind')).toEqual([2]);
    expect(spares('shared', null)).toEqual([1, 1]);
    expect(spares('each', 'card of one kind')).toEqual([1, 1]);
  });

  it('shares the expected pictures out among the bodies', () => {
    const all = packingList(demo, answer.plan).flatMap((l) =>
      l.code === 'cards' ? [l.pictures] : [],
    );
    const sum = all.reduce((a, b) => a + b, 0);
    expect(sum).toBeGreaterThanOrEqual(2400);
    expect(sum).toBeLessThan(2400 + all.length);
  });

  it('packs for the wet, for what stands still, and what is one’s own', () => {
    const codes = packingList(demo, answer.plan).map((l) => l.code);
    expect(codes).toEqual(expect.arrayContaining(['rain', 'tripod', 'thing', 'body', 'piece']));
    const dry = {
      ...demo,
      stretches: demo.stretches.map((s) => ({ ...s, weather: [] })),
    };
    expect(packingList(dry, answer.plan).map((l) => l.code)).not.toContain('rain');
    const excluded = {
      ...demo,
      stretches: demo.stretches.map((s) => ({ ...s, allowed: { ...s.allowed, support: false } })),
    };
    expect(packingList(excluded, answer.plan).map((l) => l.code)).not.toContain('tripod');
  });

  it('takes filters of the largest thread, and rings for the smaller ones', () => {
    const asking = {
      ...demo,
      frames: demo.frames.map((f) => ({ ...f, special: { ...f.special, frontFilter: true } })),
    };
    const lines = packingList(asking, answer.plan);
    expect(lines.find((l) => l.code === 'filters')).toMatchObject({ threadMm: 77 });
    expect(lines.flatMap((l) => (l.code === 'step-up-ring' ? [[l.fromMm, l.toMm]] : []))).toEqual([
      [72, 77],
      [67, 77],
      [58, 77],
    ]);
  });

  it('takes a filter at least as strong as the light asks for', () => {
    const asking = {
      ...demo,
      frames: demo.frames.map((f) => ({
        ...f,
        light: { ...f.light, shortestTimeS: 0.9, support: 'support' as const },
      })),
    };
    const grey = packingList(asking, answer.plan).filter((l) => l.code === 'grey-filter');
    expect(grey.length).toBeGreaterThan(0);
    for (const { stops, frameIds } of grey) {
      // What is too much at ISO 100 and the aperture used: log2(t · 2^EV / N²), for the brightest.
      const asked = frameIds.map((id) => {
        const { light } = asking.frames.find((f) => f.id === id)!;
        const { fNumber } = grey.find((g) => g.frameIds.includes(id))!;
        const ev = light.source.kind === 'none' ? -Infinity : ev100OfSource(light.source)!;
        return Math.log2(0.9 * 2 ** ev) - 2 * Math.log2(fNumber);
      });
      expect(Number.isInteger(stops)).toBe(true);
      expect(stops).toBeGreaterThanOrEqual(Math.max(...asked) - 1e-9);
      expect(stops).toBeLessThan(Math.max(...asked) + 1);
    }
  });

  it('charges a flash for the pictures that ask for it, by their share of all', () => {
    const lit = demo.frames.slice(0, 3).map((f) => f.id);
    const asking = withPacking({ pictures: 1800 });
    const file = {
      ...asking,
      stretches: asking.stretches.map((s) => ({ ...s, allowed: { ...s.allowed, flash: true } })),
      frames: asking.frames.map((f) => ({
        ...f,
        light: { ...f.light, flash: lit.includes(f.id) ? { guideNumberM: 40 } : null },
      })),
    };
    const line = lineOf(file, 'flash-batteries') as Extract<PackingLine, { pictures: number }>;
    expect(line.pictures).toBe(Math.ceil((1800 * 3) / demo.frames.length));
  });

  it('weighs a spare camera in the bag, and not one that lies at the base', () => {
    const weightOf = (lies: 'bag' | 'base') => {
      const file = { ...demo, limits: { ...demo.limits, spares: [{ bodyId: SPARE, lies }] } };
      return carriedWeight(file, packingList(file, answer.plan)).weightG;
    };
    const SPARE = demo.shelf.bodies[0]!.id;
    expect(weightOf('bag') - weightOf('base')).toBe(demo.shelf.bodies[0]!.weightG);
  });

  it('counts what is usual for what is not known, and says so', () => {
    const bodies = demo.shelf.bodies.map((b) => ({ ...b, picturesPerCharge: null, fileMb: null }));
    const lines = packingList({ ...demo, shelf: { ...demo.shelf, bodies } }, answer.plan);
    const estimated = lines.filter((l) => 'estimated' in l && l.estimated).map((l) => l.code);
    expect(new Set(estimated)).toEqual(new Set(['batteries', 'cards']));
    // By hand: 1.2 MB for each megapixel.
    const [body] = bodies;
    const { pixelsWide, pixelsHigh } = body!.sensor;
    const mb = (1.2 * pixelsWide! * pixelsHigh!) / 1e6;
    const cards = lines.find((l) => l.code === 'cards' && l.bodyId === body!.id);
    expect(cards).toMatchObject({ fileMb: Number(mb.toPrecision(2)) });
  });
});

test('cautions come where the plan calls for them, and only there', () => {
  const codes = cautionsFor(demo, answer.plan).map((c) => c.code);
  expect(codes).toEqual(['sun-in-finder', 'law', 'animals', 'backwards', 'lithium']);
  const calm = { ...demo, frames: [], stretches: [] };
  const nothing = { ...answer.plan, stretches: [], worst: null };
  expect(cautionsFor(calm, nothing)).toEqual([]);
  const heavy = { ...nothing, worst: { stretchId: null, shooterId: null, weightG: 7000 } };
  expect(cautionsFor(calm, heavy).map((c) => c.code)).toEqual(['lifting']);
});

test('a subject calls for its caution by what it is, whatever its size', () => {
  const [first] = demo.frames;
  const fox = (subject: 'smallMammal' | null) => ({
    ...demo,
    stretches: [],
    frames: [
      {
        ...first!,
        name: 'Fox at the den',
        note: '',
        subject,
        need: { ...first!.need, widthM: 0.71, heightM: 0.43 },
      } as (typeof demo.frames)[number],
    ],
  });
  const nothing = { ...answer.plan, stretches: [], worst: null };
  const codes = (subject: 'smallMammal' | null) =>
    cautionsFor(fox(subject), nothing).map((c) => c.code);
  expect(codes('smallMammal')).toContain('animals');
  expect(codes(null)).not.toContain('animals');
});

test('a headlamp is for hands at a support in the dark, not for a ride through it', () => {
  const dark = (support: 'hand' | 'support') => ({
    ...demo,
    frames: demo.frames.map((f) => ({
      ...f,
      light: { ...f.light, source: { kind: 'ev' as const, ev100: -2 }, support },
    })),
  });
  const codes = (support: 'hand' | 'support') =>
    packingList(dark(support), answer.plan).map((l) => l.code);
  expect(codes('support')).toContain('headlamp');
  expect(codes('hand')).not.toContain('headlamp');
});

describe('when something goes wrong', () => {
  const after = async (scenario: Parameters<typeof afterScenario>[2]) =>
    solveLineup(await loadHighsSolver(), afterScenario(demo, result, scenario), options);

  it('a broken lens loses what only it makes', async () => {
    expect(lostTo(result, await after({ kind: 'breaks', id: 't-23' }))).toEqual(['f15']);
  });

  it('an hour late everything is still made; five hours late the heats are gone', async () => {
    expect(lostTo(result, await after({ kind: 'late', hours: 1 }))).toEqual([]);
    const late = afterScenario(demo, result, { kind: 'late', hours: 5 });
    expect(late.stretches.map((s) => s.id)).not.toContain('heats');
    expect(late.stretches.find((s) => s.id === 'boathouse')?.fromTime).toBe('13:30');
    expect(lostTo(result, await after({ kind: 'late', hours: 5 }))).toContain('f14');
  });

  it('only what comes along may mend it', () => {
    const left = afterScenario(demo, result, { kind: 'breaks', id: 'k1' });
    expect(left.shelf.lenses.map((l) => l.id).sort()).toEqual([...result.lineup.lensIds].sort());
    expect(left.shelf.bodies.map((b) => b.id)).not.toContain('k1');
  });
});

describe('the bag', () => {
  const box = (widthMm: number, heightMm: number, depthMm: number) => ({
    id: 'main',
    name: 'Main',
    widthMm,
    heightMm,
    depthMm,
  });
  const block = (id: string, widthMm: number, heightMm: number, depthMm: number): BagItem => ({
    id,
    widthMm,
    heightMm,
    depthMm,
  });

  it('takes eight cubes of 100 into one of 200, and not nine', () => {
    const cubes = (n: number) => Array.from({ length: n }, (_, i) => block(`c${i}`, 100, 100, 100));
    const eight = packBag([box(200, 200, 200)], cubes(8));
    expect(eight.kind).toBe('fits');
    expect(packBag([box(200, 200, 200)], cubes(9))).toEqual({
      kind: 'too-much',
      shareFilled: 9 / 8,
    });
  });

  it('lays down what is too long to stand', () => {
    const answered = packBag([box(300, 90, 100)], [block('tele', 84, 220, 84)]);
    expect(answered).toMatchObject({ kind: 'fits', placed: [{ widthMm: 220, heightMm: 84 }] });
  });

  it('names what goes in nowhere', () => {
    const small = block('small', 60, 60, 60);
    const long = block('long', 84, 350, 84);
    expect(packBag([box(200, 200, 200)], [small, long])).toEqual({ kind: 'too-big', item: long });
  });

  it('says that it found none where room is left but not in one piece', () => {
    const answered = packBag(
      [box(150, 100, 100)],
      [block('a', 90, 100, 100), block('b', 60, 60, 100), block('c', 60, 60, 60)],
    );
    expect(answered).toMatchObject({ kind: 'not-found', outIds: ['c'] });
  });

  it('never lets blocks overlap or stick out', () => {
    const items = [70, 84, 67, 81, 95, 120].map((d, i) => block(`i${i}`, d, d + 40, d));
    const answered = packBag([box(290, 180, 420), box(260, 80, 160)], items);
    expect(answered.kind).toBe('fits');
    const placed = answered.kind === 'fits' ? answered.placed : [];
    const ends = (p: (typeof placed)[number]) =>
      [
        [p.xMm, p.xMm + p.widthMm],
        [p.yMm, p.yMm + p.heightMm],
        [p.zMm, p.zMm + p.depthMm],
      ] as const;
    placed.forEach((a, i) => {
      const c = a.compartmentId === 'main' ? [290, 180, 420] : [260, 80, 160];
      ends(a).forEach(([, end], axis) => expect(end).toBeLessThanOrEqual(c[axis]!));
      for (const b of placed.slice(i + 1)) {
        if (a.compartmentId !== b.compartmentId) continue;
        const apart = ends(a).some(([from, to], axis) => {
          const [otherFrom, otherTo] = ends(b)[axis]!;
          return to <= otherFrom || otherTo <= from;
        });
        expect(apart).toBe(true);
      }
    });
  });
});
