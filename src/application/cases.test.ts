import { readFileSync } from 'node:fs';
import { decode } from '@/document';
import { answerDay, answerInFull, answerLineup, answerProfiles, answerScenario } from './answer';

/**
 * Small outings that an oracle, written from the documents alone, once answered otherwise than the
 * product. Right is what stands here.
 */
type Answer = Awaited<ReturnType<typeof answerInFull>>;

function outing(name: string) {
  const read = decode(readFileSync(`tests/fixtures/cases/${name}.json`, 'utf8'));
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
}
const answered = (name: string): Promise<Answer> => answerInFull(outing(name), Infinity);

const got = ({ frames }: Answer) => frames.filter((f) => f.state !== 'lost').map((f) => f.frameId);
const first = ({ frames }: Answer) => frames[0]!;

const carried = (answer: Answer) => [answer.status, got(answer), answer.conflict];

const CASES: Record<string, (answer: Answer) => void> = {
  'one-lens-with-converter': (answer) => {
    expect(answer.lineup).toMatchObject({
      lensIds: [expect.any(String)],
      converterIds: [expect.any(String)],
    });
    expect(got(answer)).toHaveLength(2);
    expect(answer.status).toBe('proven');
  },
  'converter-stays-on': (answer) => expect(got(answer)).toHaveLength(2),
  'converter-stays-on-bags': (answer) => expect(got(answer)).toHaveLength(2),
  'converter-stays-on-never': (answer) => expect(got(answer)).toHaveLength(2),
  'tube-on-far-frame': ({ frames }) => {
    const far = frames.filter((f) => f.unit !== 'm');
    expect(far.length).toBeGreaterThan(0);
    expect(far.flatMap((f) => f.covers).every((c) => c.tubeId === null)).toBe(true);
  },
  'either-margins': (answer) => {
    const [cover] = first(answer).covers;
    expect(cover).toMatchObject({ code: 'clear', margins: { crop: 1 } });
    expect(cover!.margins!.longSpareMm).toBeGreaterThanOrEqual(0);
  },
  // Ended by the body of 24 MP, cropped 4 times in length: 24 / 4² = 1.5.
  'gap-megapixels': ({ gaps }) => expect(gaps[0]?.megapixelsLeft).toBeCloseTo(24 / 16, 2),
  'overlap-faster': ({ overlaps }) => {
    const faster = overlaps[0]?.reasons.find((r) => r.reason === 'faster');
    expect(faster && 'by' in faster && faster.by).toBeCloseTo(1.64, 1);
  },
  'out-by-source': ({ rivals: alternatives }) => {
    const out = alternatives?.lensesOut.find((o) => o.lensId === 'l300');
    expect(out?.difference?.aim).toBe('musts');
  },
  'out-by-kind': ({ rivals: alternatives }) => {
    const zooms = alternatives!.lensesOut.filter((o) => o.lensId.startsWith('z'));
    expect(zooms.length).toBeGreaterThan(0);
    for (const { difference, withIt } of zooms) {
      expect(difference?.aim).toBe('musts');
      expect(withIt.filter((id) => id.startsWith('z')).length).toBeLessThanOrEqual(1);
    }
  },
  'body-unknown-weight': (answer) => {
    if (got(answer).length > 0) expect(JSON.stringify(answer.notes)).toContain('b0');
  },
  'body-known-weight': ({ lensesOut }) => {
    expect(lensesOut.length).toBeGreaterThan(0);
    expect(lensesOut.every((o) => o.reason === 'limit')).toBe(true);
  },
  'locked-unknown-weight': ({ status, totals }) => {
    expect(totals.weightUnknown.length).toBeGreaterThan(0);
    expect(status).not.toBe('proven');
  },
  'thread-no-but-filter': (answer) => expect(got(answer)).toEqual([]),
  'close-24': (answer) => expect(got(answer)).toHaveLength(1),
  'macro-5x': (answer) => expect(got(answer)).toHaveLength(1),
  // One wanted picture is all of them, whatever else the aims look at.
  'tradeoff-grade': ({ rivals: alternatives }) => {
    const { points } = alternatives!.tradeOff;
    expect(points.map((p) => [p.wantsPercent, p.got])).toContainEqual([100, ['f0']]);
    expect(points.every((p) => p.wantsPercent <= 100)).toBe(true);
  },
  'out-want-gained': ({ rivals: alternatives }) => {
    const out = alternatives?.lensesOut.find((o) => o.lensId === 'a');
    expect(out?.difference).toMatchObject({ aim: 'wants', best: 100, other: 5 });
  },
  'proof-one-named': ({ proof, lineup }) => {
    expect(lineup.lensIds).toHaveLength(1);
    expect(proof).toMatchObject({ bound: 1 });
  },
  // By hand: the edge moves at 18 mm · 5 m/s / 5 m, 1/1,540 s for two pixels of 6 µm; there is less light.
  'toward-at-distance': (answer) => expect(got(answer)).toEqual([]),
  // The tripod is packed for the picture that may be left out: without it the must by hand fits.
  'support-for-a-want': (answer) => expect(carried(answer)).toEqual(['proven', ['land'], null]),
  'support-for-a-bonus': (answer) => expect(carried(answer)).toEqual(['proven', ['land'], null]),
  'carried-impossible': (answer) => expect(carried(answer)).toEqual(['proven', ['f0'], null]),
  'magnification-over-fill': (answer) => expect(got(answer)).toEqual([]),
  'pixels-one-side': (answer) => expect(got(answer)).toHaveLength(1),
  'fisheye-circle-wide': (answer) => expect(got(answer)).toEqual([]),
  'fisheye-square': (answer) => expect(got(answer)).toEqual([]),
  'depth-without-end': (answer) => {
    expect(got(answer)).toEqual([]);
    expect(JSON.stringify(first(answer).nearest)).toContain('"neededFNumber":null');
  },
};

it.each(Object.keys(CASES))('%s is answered as its documents say', async (name) => {
  CASES[name]!(await answered(name));
});

it('the same file gives the same bytes, whatever was asked before', async () => {
  const once = JSON.stringify(await answered('out-by-kind'));
  await answered('overlap-faster');
  expect(JSON.stringify(await answered('out-by-kind'))).toBe(once);
});

test.each([
  // One camera; 50 mm in either stretch, 100 in the first, 50 in the second: 100, then 50.
  ['carry-anywhere', { changes: 1, changesAnyOrder: 1 }],
  // The only camera goes from one person to another, in any order too.
  ['carry-handover', { changes: 1, changesAnyOrder: 1 }],
])('the plan of %s', async (name, right) => {
  expect(await answerDay(outing(name), Infinity)).toMatchObject({ ...right, proven: true });
});

test('each style is answered by its own limits, and an accident says what it loses', async () => {
  const demo = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
  if (!demo.ok) throw new Error(demo.error.code);
  const styles = await answerProfiles(
    demo.value,
    ['oneZoomNeverChange', 'smallFastPrimes'],
    Infinity,
  );
  const kinds = styles.map(({ result }) =>
    result.lineup.lensIds.map((id) => demo.value.shelf.lenses.find((l) => l.id === id)!),
  );
  const zooms = kinds.map((lenses) => lenses.map((l) => l.focal.wideMm < l.focal.longMm));
  expect(zooms[0]).toEqual([true]);
  expect(zooms[1]!.length).toBeGreaterThan(0);
  expect(zooms[1]).not.toContain(true);
  const result = await answerLineup(demo.value, Infinity);
  const { lensId } = result.lensesIn.find((l) => (l.onlyIt?.length ?? 0) > 0)!;
  const broken = { kind: 'breaks', id: lensId } as const;
  const { lost } = await answerScenario(demo.value, result, broken, Infinity);
  expect(lost.length).toBeGreaterThan(0);
}, 120_000);
