import { readFileSync } from 'node:fs';
import type { Shelf } from '@/core/gear';
import { decodeValue, newItem, NO_GEAR, readGearLines } from '@/document';
import { solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { outingFromStarter, type StarterKey, STARTERS } from './index';
import { STARTER_TEXTS } from '@/text';

const demo = decodeValue(JSON.parse(readFileSync('demo/regatta.armreach.json', 'utf8')));
const shelf = demo.ok ? demo.value.shelf : null;

test('there is a brief for each of the usual genres, each under its own name', () => {
  expect(STARTERS).toHaveLength(16);
  expect(new Set(STARTERS.map((s) => s.key)).size).toBe(16);
});

test.each(STARTERS.map((s) => [s.key, s] as const))(
  '%s is a valid outing of which some gear makes every must',
  async (_, starter) => {
    const file = outingFromStarter(starter, STARTER_TEXTS[starter.key], {
      shelf: shelf!,
      currency: 'EUR',
    });
    const read = decodeValue(JSON.parse(JSON.stringify(file)));
    expect(read.ok ? [] : read.error.issues).toEqual([]);
    expect(file.outing.note).not.toBe('');
    expect(file.frames.some((f) => f.want === 'must')).toBe(true);
    const everything = {
      ...file,
      limits: {
        ...file.limits,
        sources: ['owned' as const, 'borrowed' as const, 'wished' as const],
        maxLineupWeightG: null,
        maxLenses: null,
      },
    };
    const result = solveLineup(await loadHighsSolver(), everything, {
      timeLimitS: 30,
      now: () => 0,
    });
    expect(result.status).toBe('proven');
    const lost = result.frames.filter(
      (f) => f.want === 'must' && (f.state === 'lost' || f.state === 'once'),
    );
    expect(lost.map((f) => [f.frameId, f.nearest?.shortfall?.code, f.conflict?.code])).toEqual([]);
  },
);

test('what can’t be repeated is asked for twice only where there are two cameras', () => {
  const wedding = STARTERS.find((s) => s.shots.some((shot) => shot.twice))!;
  const twiceWith = (cameras: number) =>
    outingFromStarter(wedding, STARTER_TEXTS[wedding.key], {
      shelf: { ...shelf!, bodies: shelf!.bodies.slice(0, cameras) },
      currency: 'EUR',
    }).frames.filter((f) => f.twice !== null).length;
  expect(twiceWith(1)).toBe(0);
  expect(twiceWith(2)).toBeGreaterThan(0);
});

/** Gear as a newcomer types it, with nothing known but range and f-number. */
const TYPED = {
  'crop 1.5, two zooms and a 50': [
    [23.5, 15.6],
    ['18-55 3.5-5.6', '55-250 4-5.6', '50 1.8'],
  ],
  '36×24, two fast zooms': [
    [36, 24],
    ['24-70 2.8', '70-200 2.8'],
  ],
  'a small sensor with one zoom': [[13.2, 8.8], ['9-220 2.8-4']],
} as const;

/**
 * Musts covered of those asked for, with each of the three, as looked through one by one: what is lost is
 * too wide, too long, or too deep for that gear, and nothing is lost for a figure that nobody typed.
 */
const FIRST_ANSWERS: Readonly<Record<StarterKey, readonly string[]>> = {
  'landscape-walk': [
    '1/2, sweep-from-the-ridge not-wide-enough',
    '1/2, sweep-from-the-ridge not-wide-enough',
    '1/2, sweep-from-the-ridge not-wide-enough',
  ],
  'far-wildlife': [
    '2/2',
    '0/2, deer-at-the-wood-s-edge part, large-bird-on-the-water part, small-bird-on-a-post left out',
    '2/2',
  ],
  'close-wildlife': ['2/2', '2/2', '2/2'],
  wedding: [
    '5/7, the-whole-room not-wide-enough, walking-out part, table-from-above not-wide-enough',
    '6/7, the-whole-room not-wide-enough, table-from-above not-wide-enough',
    '5/7, the-whole-room not-wide-enough, the-two-close too-deep, table-from-above not-wide-enough',
  ],
  'service-without-flash': ['2/2', '2/2', '2/2'],
  'court-sport': [
    '3/3, the-hall-full not-wide-enough',
    '3/3, the-hall-full not-wide-enough',
    '3/3, the-hall-full not-wide-enough',
  ],
  'field-sport': [
    '3/3, the-ground not-wide-enough',
    '3/3, the-ground not-wide-enough',
    '3/3, the-ground not-wide-enough',
  ],
  'air-display': [
    '2/2, crowd-and-sky not-wide-enough',
    '2/2, crowd-and-sky not-wide-enough',
    '2/2, crowd-and-sky not-wide-enough',
  ],
  portrait: [
    '1/3, head-and-shoulders not-wide-enough, half-figure too-deep',
    '2/3, head-and-shoulders too-deep',
    '1/3, head-and-shoulders too-deep, half-figure too-deep',
  ],
  family: ['3/3', '3/3', '3/3'],
  'city-travel': [
    '2/3, square-from-its-corner not-wide-enough',
    '2/3, square-from-its-corner not-wide-enough',
    '2/3, square-from-its-corner not-wide-enough',
  ],
  trek: [
    '1/2, valley-and-peaks not-wide-enough, tent-by-night not-wide-enough',
    '1/2, valley-and-peaks not-wide-enough, tent-by-night not-wide-enough',
    '1/2, valley-and-peaks not-wide-enough, tent-by-night not-wide-enough',
  ],
  'boat-trip': [
    '2/3, bow-and-sea not-wide-enough',
    '2/3, bow-and-sea not-wide-enough',
    '2/3, bow-and-sea not-wide-enough',
  ],
  'night-sky': [
    '0/1, sky-over-the-hut not-wide-enough, the-arch-very-wide not-wide-enough, whole-sky-round wrong-projection',
    '0/1, sky-over-the-hut not-wide-enough, the-arch-very-wide not-wide-enough, whole-sky-round wrong-projection, moon-rising not-long-enough',
    '0/1, sky-over-the-hut not-wide-enough, the-arch-very-wide not-wide-enough, whole-sky-round wrong-projection',
  ],
  'close-up': [
    '2/2, coin-life-size overfills, plant-in-its-place too-deep',
    '2/2',
    '2/2, coin-life-size overfills, plant-in-its-place too-deep',
  ],
  everyday: ['1/2, a-room not-wide-enough', '2/2, far-view left out', '2/2'],
};

test.each(STARTERS.map((s) => [s.key, s] as const))(
  '%s answers a newcomer’s gear by what it can do',
  async (key, starter) => {
    const solver = await loadHighsSolver();
    const answers = Object.values(TYPED).map(([[widthMm, heightMm], lines]) => {
      const body = {
        ...newItem('bodies', NO_GEAR, { name: 'Camera', mount: 'M' }),
        sensor: { widthMm, heightMm, pixelsWide: 6000, pixelsHigh: 4000 },
      };
      const camera = { ...NO_GEAR, bodies: [body] };
      const read = readGearLines(lines.join('\n'), camera);
      const lenses = read.flatMap((l) => (l.kind === 'lenses' ? [l.item] : []));
      const typed = { ...camera, lenses };
      const text = STARTER_TEXTS[starter.key];
      const file = outingFromStarter(starter, text, { shelf: typed, currency: 'EUR' });
      const result = solveLineup(solver, file, { timeLimitS: 30, now: () => 0 });
      const { got, of } = result.totals.musts;
      const lost = result.frames.filter((f) => f.state === 'lost');
      return [
        `${got}/${of}`,
        ...lost.map(
          (f) =>
            `${f.frameId} ${f.impossible.length === 0 ? 'left out' : f.nearest?.shortfall?.code}`,
        ),
      ].join(', ');
    });
    expect(answers).toEqual(FIRST_ANSWERS[key]);
  },
);

test('weight is limited only where the weights are known', () => {
  const walk = STARTERS.find((s) => s.limits?.maxLineupWeightG)!;
  const limitWith = (lenses: Shelf['lenses']) =>
    outingFromStarter(walk, STARTER_TEXTS[walk.key], {
      shelf: NO_GEAR,
      atHand: { ...shelf!, lenses },
      currency: 'EUR',
    }).limits.maxLineupWeightG;
  const [first, ...others] = shelf!.lenses;
  expect(limitWith([first!, ...others])).toBe(walk.limits?.maxLineupWeightG);
  expect(limitWith([{ ...first!, weightG: null }, ...others])).toBeNull();
  expect(limitWith([])).toBeNull();
});
