import type { Body } from '@/core/gear';
import { solveLineup, type LineupResult } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import {
  aBody,
  aConverter,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';
import { demoFile } from '../../../tests/support/render';
import { reachData, stopsOf } from './chartData';
import { placeLabels } from './chartLabels';
import { chartOption } from './chartOption';
import { servicesOf } from './service';

const COLOURS = {
  ink: '#000',
  soft: '#333',
  hair: '#ccc',
  edge: '#777',
  got: '#060',
  wrong: '#a30',
  sheet: '#fff',
};

/** A chart surface of 1000 px over the axes' own range, enough for shapes to be laid out. */
function shapes(option: ReturnType<typeof chartOption>, id: string) {
  const series = (
    option.series as {
      id: string;
      data: number[][];
      renderItem: (p: object, api: object) => { children: Record<string, unknown>[] };
    }[]
  ).find((s) => s.id === id)!;
  const api = {
    coord: ([x = 0, y = 0]: number[]) => [x * 100, y * 50],
    value: (i: number) => series.data[0]?.[i],
  };
  const coordSys = { x: -1000, y: -1000, width: 5000, height: 5000 };
  return series.data.map(
    (_, dataIndex) => series.renderItem({ dataIndex, coordSys }, api).children,
  );
}

/** The names that are written. */
const texts = (option: ReturnType<typeof chartOption>) =>
  shapes(option, 'labels')[0]!.map((c) => (c.style as { text: string }).text);

let result: LineupResult;
const file = demoFile();
beforeAll(async () => {
  result = solveLineup(await loadHighsSolver(), file, { timeLimitS: 30, now: () => 0 });
});

describe('what the chart draws', () => {
  const lensOf = (data: ReturnType<typeof reachData>, id: string) =>
    data.bands.find((b) => b.lens.id === id)!;

  it('is every straight lens on a body that it fits, by equivalent focal length', () => {
    const data = reachData(file, result, null);
    expect(data.bands).toHaveLength(file.shelf.lenses.length - 1);
    const zoom = lensOf(data, 't-10-24');
    expect(zoom.bodyName).toBe('T20');
    expect(zoom.path.map((p) => Math.round(p.focalMm))).toEqual([15, 37]);
    expect(lensOf(data, 'k-24-240').path.map((p) => Number(p.fNumber.toFixed(2)))).toEqual([
      4, 4.5, 5.6, 6.3, 6.3,
    ]);
  });

  it('tells the lineup from what may be chosen and what stays out', () => {
    const data = reachData(file, result, null);
    expect([
      lensOf(data, 'k-50').standing,
      lensOf(data, 'k-85').standing,
      lensOf(data, 'k-600').standing,
    ]).toEqual(['in', 'free', 'out']);
  });

  it('looks through one body when asked: only what fits it, labelled for its format', () => {
    const body = file.shelf.bodies.find((b) => b.id === 't20') as Body;
    const data = reachData(file, result, body);
    expect(new Set(data.bands.map((b) => b.lens.mount))).toEqual(new Set(['Tessendorn T']));
    expect(data.labelCrop).toBeCloseTo(1.534, 3);
  });

  it('continues a band by converter and by crop', () => {
    const data = reachData(file, result, null);
    const tele = lensOf(data, 'k-70-200');
    expect(
      tele.converted.map((c) => [
        c.name,
        Math.round(c.path[0]!.focalMm),
        Math.round(c.path.at(-1)!.focalMm),
      ]),
    ).toEqual([
      ['1.4× converter', 200, 280],
      ['2.0× converter', 200, 400],
    ]);
    expect(tele.converted[1]?.path.at(-1)?.fNumber).toBeCloseTo(5.6, 9);
    expect(tele.cropped.map((p) => Math.round(p.focalMm))).toEqual([200, 300]);
  });

  it('puts bands that would cover each other side by side, the lineup first, and no farther than the axis bears', () => {
    const alike = Array.from({ length: 9 }, (_, i) => aLens(`l${i}`, 24, 70, 2.8));
    const data = reachData(aQuestion({ frames: [], shelf: aShelf(alike) }), null, null);
    expect(data.bands.map((b) => b.lane)).toEqual([0, 1, 2, 3, 3, 3, 3, 3, 3]);
    const apart = [aLens('a', 24, 70, 2.8), aLens('b', 85, 200, 2.8), aLens('c', 24, 70, 5.6)];
    expect(
      reachData(aQuestion({ frames: [], shelf: aShelf(apart) }), null, null).bands.map(
        (b) => b.lane,
      ),
    ).toEqual([0, 0, 0]);
  });

  it('gives frames their state, and numbers in the order of the shot list', () => {
    const data = reachData(file, result, null);
    expect(data.spans.map((s) => s.number)).toEqual(file.frames.map((_, i) => i + 1));
    expect(data.spans.filter((s) => s.state === 'lost').map((s) => s.frame.name)).toEqual([
      'Moon over the bridge',
    ]);
    expect(data.spans.filter((s) => s.state === 'crop').length).toBeGreaterThan(0);
  });
});

describe('the chart', () => {
  it('has room for everything it draws, fast on top', () => {
    const option = chartOption({
      data: reachData(file, result, null),
      colours: COLOURS,
      lit: null,
    });
    const y = option.yAxis as { inverse: boolean; min: number; max: number };
    expect(y.inverse).toBe(true);
    expect(y.min).toBeLessThan(stopsOf(1.2));
    expect(y.max).toBeGreaterThan(stopsOf(6.3));
    const [x] = option.xAxis as { min: number; max: number }[];
    expect(2 ** x!.min).toBeLessThan(14);
    expect(2 ** x!.max).toBeGreaterThan(600);
  });

  it('labels the lower axis in focal lengths of the format looked through', () => {
    const body = file.shelf.bodies.find((b) => b.id === 't20') as Body;
    const option = chartOption({
      data: reachData(file, result, body),
      colours: COLOURS,
      lit: null,
    });
    const [bottom] = option.xAxis as {
      axisLabel: { customValues: number[]; formatter: (v: number) => string };
    }[];
    const at35 = bottom!.axisLabel.customValues.find(
      (v) => bottom!.axisLabel.formatter(v) === '35',
    )!;
    expect(2 ** at35).toBeCloseTo(35 * 1.534, 1);
  });

  it('draws every state with its own pattern', () => {
    const option = chartOption({
      data: reachData(file, result, null),
      colours: COLOURS,
      lit: null,
    });
    const spans = shapes(option, 'spans');
    const line = (i: number) => spans[i]![1] as { style: { lineDash?: number[]; stroke: string } };
    expect(line(0).style.lineDash).toBeUndefined();
    expect(line(2).style.lineDash).toEqual([5, 2]);
    expect(line(17).style.stroke).toBe(COLOURS.wrong);
    expect(JSON.stringify(spans[17])).toContain('18×');
  });

  it('dims what is not lit, and names what is pointed at', () => {
    const data = reachData(file, result, null);
    const option = chartOption({ data, colours: COLOURS, lit: new Set(['k-85']) });
    const bands = shapes(option, 'bands');
    const of = (id: string) => bands[data.bands.findIndex((b) => b.lens.id === id)]!;
    const opacity = (id: string) => (of(id)[1] as { style: { opacity: number } }).style.opacity;
    expect([opacity('k-85'), opacity('k-50')]).toEqual([1, 0.25]);
    expect(texts(option)).toEqual(['85 mm f/1.8']);
  });

  it('names all of the lineup, and nothing over anything else', () => {
    const data = reachData(file, result, null);
    const option = chartOption({ data, colours: COLOURS, lit: null });
    const inside = data.bands.filter((b) => b.standing === 'in').map((b) => b.lens.name);
    expect(inside.length).toBeGreaterThan(3);
    expect(texts(option).sort()).toEqual(inside.sort());
    // No band of the lineup runs through a name: none passes a name's middle within half a line.
    const bands = shapes(option, 'bands').flatMap(([, line], i) =>
      data.bands[i]!.standing === 'in'
        ? [(line!.shape as { points?: [number, number][] }).points ?? []]
        : [],
    );
    for (const { style } of shapes(option, 'labels')[0]! as { style: Record<string, number> }[])
      for (const line of bands)
        for (const [k, [toX, toY]] of line.slice(1).entries()) {
          const [fromX, fromY] = line[k]!;
          const share = (style.x! + 30 - fromX) / (toX - fromX);
          if (share < 0 || share > 1) continue;
          expect(Math.abs(fromY + share * (toY - fromY) - (style.y! + 6.5))).toBeGreaterThan(6);
        }
    // Ten names in one place: each is moved, or waits, but for those that must be said.
    const wanted = Array.from({ length: 10 }, (_, i) => ({
      text: `lens number ${i}`,
      x: 300,
      y: 200 + (i % 3),
      always: i < 4,
      colour: '#000',
    }));
    const placed = placeLabels(wanted, { x: 0, y: 0, width: 600, height: 400 });
    expect(placed.slice(0, 4).map((p) => p.text)).toEqual(wanted.slice(0, 4).map((w) => w.text));
    for (const [i, a] of placed.entries())
      for (const b of placed.slice(i + 1)) {
        const apart =
          a.box.x + a.box.width <= b.box.x ||
          b.box.x + b.box.width <= a.box.x ||
          a.box.y + a.box.height <= b.box.y ||
          b.box.y + b.box.height <= a.box.y;
        expect(apart).toBe(true);
      }
  });

  it('keeps what any lens is fast enough for out of the f-numbers', () => {
    const data = reachData(file, result, null);
    const feet = new Map(
      shapes(chartOption({ data, colours: COLOURS, lit: null }), 'spans').map((span, i) => [
        data.spans[i]!,
        (span[1]!.shape as { y1: number }).y1 / 50,
      ]),
    );
    const any = data.spans.filter((s) => s.isAny);
    expect(any.length).toBeGreaterThan(3);
    expect(any.length).toBeLessThan(data.spans.length);
    for (const [{ isAny, span }, stops] of feet) {
      expect(stops > data.floor).toBe(isAny);
      if (isAny && span.slowest) expect(span.slowest.long).toBeGreaterThan(6.3);
    }
  });

  it('marks gaps', () => {
    const lenses = [aLens('a', 16, 35, 4), aLens('b', 70, 200, 4)];
    const question = aQuestion({
      frames: [focalFrame('f', 20, 20, 'free'), focalFrame('g', 100, 100, 'free')],
      shelf: aShelf(lenses),
    });
    const gaps = [
      {
        range: { from: 35, to: 70 },
        crop: 2,
        megapixelsLeft: 6,
        lostFrameIds: [],
        croppedFrameIds: [],
      },
    ];
    const option = chartOption({
      data: reachData(question, { ...result, gaps }, null),
      colours: COLOURS,
      lit: null,
    });
    const [gap] = shapes(option, 'gaps');
    expect(gap?.at(-1)).toMatchObject({ type: 'text', style: { text: 'gap' } });
  });

  it('stands with nothing on the shelf and nothing wanted', () => {
    const empty = reachData(aQuestion({ frames: [], shelf: aShelf([], [], []) }), null, null);
    expect(() => chartOption({ data: empty, colours: COLOURS, lit: null })).not.toThrow();
  });
});

describe('who serves what', () => {
  it('takes the best body for each lens and converter', () => {
    const half = aBody({
      id: 'half',
      sensor: { widthMm: 18, heightMm: 12, pixelsWide: 6000, pixelsHigh: 4000 },
    });
    const shelf = aShelf([aLens('l', 50, 50, 2)], [aConverter('x2', 2, ['l'])], [aBody(), half]);
    const frames = [
      focalFrame('f', 100, 100, 'free'),
      focalFrame('g', 200, 200, 'free'),
      focalFrame('h', 300, 300, 'free'),
    ];
    const services = servicesOf(aQuestion({ shelf, frames }), frames, null);
    expect(
      services.map((s) => [s.frameId, s.converterId, s.bodyId, s.shortfall?.code ?? 'made']),
    ).toEqual([
      ['f', null, 'half', 'made'],
      ['f', 'x2', 'body', 'made'],
      ['g', null, 'half', 'not-long-enough'],
      ['g', 'x2', 'half', 'made'],
      ['h', null, 'half', 'not-long-enough'],
      ['h', 'x2', 'half', 'not-long-enough'],
    ]);
  });

  it('passes over bodies that stay home and lenses not asked about', () => {
    const limits = someLimits({ lockedOut: ['body'] });
    const shelf = aShelf([aLens('l', 50, 50, 2), aLens('m', 85, 85, 2)]);
    const frames = [focalFrame('f', 50, 50, 'free')];
    expect(servicesOf(aQuestion({ shelf, frames, limits }), frames, null)).toEqual([]);
    expect(servicesOf(aQuestion({ shelf, frames }), frames, 'm')).toHaveLength(1);
  });

  it('asks what the stretch asks: in the wet only what is sealed', () => {
    const shelf = aShelf(
      [aLens('dry', 50, 50, 2, { sealed: false }), aLens('sealed', 50, 50, 2, { sealed: true })],
      [],
      [aBody({ sealed: true })],
    );
    const frames = [focalFrame('f', 50, 50, 'free')];
    const stretches = [aStretch('rain', { weather: ['wet'] })];
    const found = servicesOf(aQuestion({ shelf, frames, stretches }), frames, null);
    expect(found.map((s) => [s.lensId, s.shortfall?.code ?? 'made'])).toEqual([
      ['dry', 'not-sealed'],
      ['sealed', 'made'],
    ]);
  });
});
