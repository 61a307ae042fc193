import { type Frame, type Limits, NOTHING_SPECIAL } from '@/core/brief';
import type { Body, Lens } from '@/core/gear';
import type { LineupResult, LineupQuestion, MipSolver } from '..';
import { loadHighsSolver } from '@/solver';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { solveWith } from '../../../../tests/support/solve';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const answer = (parts: Partial<LineupQuestion>) =>
  solveWith(solver, aQuestion({ frames: [], shelf: aShelf([]), ...parts }));
const notesOf = (parts: Partial<LineupQuestion>) => toldIn(answer(parts));
const toldIn = ({ notes }: LineupResult) =>
  notes.map((n) => ('ids' in n ? [n.code, ...n.ids] : [n.code]));
const KNOWN: Partial<Lens> = {
  autofocus: true,
  frontThread: true,
  filterMm: 72,
  shift: false,
  smallestFNumber: 22,
  sealed: true,
};
const withLens = (...asked: Parameters<typeof answerWith>) => toldIn(answerWith(...asked));
const answerWith = (
  change: Partial<Lens>,
  frame: Partial<Frame> = {},
  more: { body?: Partial<Body>; limits?: Partial<Limits>; wet?: boolean } = {},
) =>
  answer({
    frames: [personFrame('f', 5, 5, 'free', frame as Record<string, unknown>)],
    shelf: aShelf(
      [aLens('l', 24, 85, 2.8, { ...KNOWN, ...change })],
      [],
      [aBody({ sealed: true, ...more.body })],
    ),
    limits: someLimits(more.limits),
    stretches: more.wet ? [aStretch('s', { weather: ['wet'] })] : [],
  });
const wish = (special: Partial<Frame['special']>): Partial<Frame> => ({
  special: { ...NOTHING_SPECIAL, ...special },
});

describe('what the answer rests on that is not known', () => {
  it('is nothing where all that is asked for is known', () => {
    expect(withLens({})).toEqual([]);
    expect(withLens({ autofocus: null, frontThread: null, filterMm: null, shift: null })).toEqual(
      [],
    );
  });

  it.each<[string, Partial<Lens>, Partial<Frame>]>([
    ['autofocus-unknown', { autofocus: null }, wish({ autofocus: true })],
    ['thread-unknown', { frontThread: null, filterMm: null }, wish({ frontFilter: true })],
    ['shift-unknown', { shift: null }, wish({ perspectiveControl: true })],
    [
      'smallest-aperture-unknown',
      { smallestFNumber: null },
      { depth: { sharp: { kind: 'zone', fromM: 4, toM: 8 }, blur: null } },
    ],
  ])('is %s, where a frame asks for it and the lens is taken', (code, lens, frame) => {
    expect(withLens(lens, frame)).toEqual([[code, 'l']]);
    expect(withLens(lens, frame, { limits: { lockedOut: ['l'] } }).flat()).not.toContain(code);
  });

  it('is the closest focus where a picture is near for the focal length, and nothing tells it', () => {
    const near = (fromM: number): Partial<Frame> => ({
      need: {
        ...(personFrame('f', 1, 1, 'free').need as Extract<Frame['need'], { kind: 'subject' }>),
        ...{ widthM: 0.4, heightM: null, fromM, toM: fromM },
      },
    });
    // By hand: 85 mm at 0.05× focuses at 85 · (2 + 0.05 + 20) = 1.87 m from the sensor.
    const unknown = { minFocusM: null, maxMagnification: null };
    expect(withLens(unknown, near(1.8))).toEqual([['closest-focus-estimated', 'l']]);
    // By hand: as a zoom usually does, like a thin lens at 0.4×: 85 · (2 + 0.4 + 2.5) = 0.42 m.
    expect(withLens(unknown, near(0.43))).toEqual([['closest-focus-estimated', 'l']]);
    expect(withLens(unknown, near(0.41))).toEqual([['closest-focus-unknown', 'l']]);
    expect(withLens(unknown, near(1.9))).toEqual([]);
    expect(withLens({ ...unknown, maxMagnification: 0.2 }, near(1.8))).toEqual([]);
    const assumed = (fromM: number) =>
      answerWith(unknown, near(fromM)).frames[0]!.covers[0]!.assumed;
    expect([assumed(1.8), assumed(1.9)]).toEqual([['closest-focus-estimated'], []]);
  });

  it('is sealing in the wet', () => {
    expect(withLens({ sealed: null }, {}, { wet: true })).toEqual([['sealing-unknown', 'l']]);
    expect(withLens({ sealed: null }, wish({ sealed: true }))).toEqual([['sealing-unknown', 'l']]);
    expect(withLens({ sealed: false }, {}, { wet: true })).toEqual([]);
  });

  it('is weight and price under a limit, and pixels where cropping would count them', () => {
    expect(withLens({ weightG: null }, {}, { limits: { maxLineupWeightG: 5000 } })).toEqual([
      ['weight-unknown', 'l'],
    ]);
    const wished = { priceNew: null, priceUsed: null, ownership: 'wished' as const };
    const spend = { maxSpend: 100, sources: ['owned' as const, 'wished' as const] };
    expect(withLens(wished, {}, { limits: spend })).toEqual([
      ['price-unknown', 'l'],
      ['no-lenses'],
    ]);
    const sensor = { widthMm: 36, heightMm: 24, pixelsWide: null, pixelsHigh: null };
    const output = { kind: 'pixels', longPx: 4000, shortPx: 2600, cut: false } as const;
    expect(withLens({}, { output }, { body: { sensor } })).toEqual([['pixels-unknown', 'body']]);
    expect(withLens({}, {}, { body: { sensor } })).toEqual([]);
  });
});

describe('what is missing for any answer', () => {
  const frames = [focalFrame('f', 50, 50, 'free', { light: lightOf(12) })];

  it('is frames, lenses, or a body that a lens fits', () => {
    expect(notesOf({})).toEqual([['no-frames'], ['no-lenses']]);
    expect(notesOf({ frames })).toEqual([['no-lenses']]);
    const lenses = [aLens('l', 50, 50, 2, { mount: 'OTHER' })];
    expect(notesOf({ frames, shelf: aShelf(lenses) })).toEqual([['no-bodies']]);
    expect(notesOf({ frames, shelf: aShelf(lenses, [], []) })).toEqual([['no-bodies']]);
  });
});
