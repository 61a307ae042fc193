import { render, screen } from '@testing-library/react';
import {
  aBody,
  aLens,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';
import { SUBJECT_KEYS, SUBJECTS, type Frame } from '@/core/brief';
import { shotOf } from '@/core/coverage';
import { setupOf } from '@/core/gear';
import { FULL_FRAME } from '@/core/optics';
import { figureOf } from './figureOf';
import { Photo, shotAt } from './Photo';
import { groundIn } from './place';
import { moodOf } from './tones';

const setup = (wide: number, long = wide, fNumber = 4) =>
  setupOf({
    body: aBody({ sensor: { ...FULL_FRAME, pixelsWide: 6000, pixelsHigh: 4000 } }),
    adapter: null,
    converter: null,
    tube: null,
    lens: aLens('l', wide, long, fNumber),
  });
const limits = someLimits();
const drawn = (frame: Frame, of = setup(24, 200)) => {
  const { container } = render(<Photo frame={frame} setup={of} limits={limits} label="it" />);
  return container.querySelector('svg')!;
};

describe('a picture as a setup takes it', () => {
  it.each(['near', 'middle', 'far'] as const)(
    'shows as much as the core says, taken %s',
    (from) => {
      const frame = personFrame('f', 4, 9, 'held');
      const of = setup(24, 200);
      const at = { near: 4, middle: 6, far: 9 }[from];
      const { sides, fill } = shotOf(of, frame, limits, at).picture;
      expect(shotAt(of, frame, limits, from)!.picture.sides).toEqual(sides);
      // By similar triangles: sensor side times distance over focal length, within the thin lens's correction.
      const shot = shotAt(of, frame, limits, from)!;
      expect(sides.width).toBeCloseTo((36 * at) / shot.picture.focalMm, 0);
      expect(fill).toBeCloseTo(1.8 / sides.height, 6);
      const [x, y, width, height] = drawn(frame, of)
        .getAttribute('viewBox')!
        .split(' ')
        .map(Number);
      expect([x, y]).toEqual([-width! / 2, -height! / 2]);
    },
  );

  it('stands upright where the core holds the camera so', () => {
    const tall = {
      ...personFrame('f', 5, 5, 'free'),
      need: { ...personFrame('f', 5, 5, 'free').need, orientation: 'portrait' },
    } as Frame;
    const clip = drawn(tall).querySelector('clipPath rect')!;
    const side = (name: string) => Number(clip.getAttribute(name));
    expect(side('height')).toBeGreaterThan(side('width'));
    expect(side('height') / side('width')).toBeCloseTo(1.5, 6);
  });

  /** Blur disc of a far point by the thin lens, percent of the diagonal: f²/N/(s − f) over 43.27 mm. Source: as in docs/model.md. */
  it('blurs what lies behind by the computed disc', () => {
    const frame = personFrame('f', 5, 5, 'free');
    const shot = shotOf(setup(85, 85, 1.8), frame, limits, 5, 85);
    const m = 85 / (5000 - 85);
    const objectMm = 5000 - 85 * (1 + m);
    expect(shot.farBlurPercent).toBeCloseTo((100 * (85 * 85)) / 1.8 / (objectMm - 85) / 43.267, 1);
    expect(shot.nearBlurPercent!).toBeGreaterThan(0);
    const wide = shotOf(setup(24, 24, 8), frame, limits, 5, 24);
    expect(wide.farBlurPercent!).toBeLessThan(shot.farBlurPercent! / 20);
  });

  it('smears what moves while a shutter is too slow, as long as its way meanwhile', () => {
    const movement = { speedMps: 5, direction: 'across', blur: { kind: 'share', percent: 0.1 } };
    const frame = (ev: number) =>
      personFrame('f', 8, 8, 'free', { light: lightOf(ev, { longestTimeS: 1 / 500, movement }) });
    const dark = shotOf(setup(50, 50, 4), frame(4), limits, 8);
    // N² / (2^EV · ISO / 100) with the bellows of the distance, within a few percent.
    const neededS = 16 / (2 ** 4 * 64);
    expect(dark.exposure!.timeS / neededS).toBeGreaterThan(1);
    expect(dark.exposure!.timeS / neededS).toBeLessThan(1.05);
    expect(dark.exposure!.smear).toBeCloseTo(
      (5 * dark.exposure!.timeS) / dark.picture.sides.width,
      9,
    );
    expect(dark.exposure!.slowStops).toBeGreaterThan(2);
    const { unmount } = render(<Photo frame={frame(4)} setup={setup(50, 50, 4)} limits={limits} />);
    expect(screen.getByTestId('smear')).toBeTruthy();
    unmount();
    render(<Photo frame={frame(15)} setup={setup(50, 50, 4)} limits={limits} />);
    expect(screen.queryByTestId('smear')).toBeNull();
  });

  it('is drawn in the light of its scene', () => {
    const lit = (scene: string) =>
      moodOf(
        personFrame('f', 5, 5, 'free', {
          light: { ...lightOf(0), source: { kind: 'scene', scene } },
        }),
      );
    expect(lit('fullSun')).toBe('day');
    expect(lit('dusk')).toBe('dusk');
    expect(lit('nightStreet')).toBe('night');
    expect(lit('candlelight')).toBe('indoors');
    expect(moodOf(personFrame('f', 5, 5, 'free', { light: lightOf(-3) }))).toBe('night');
    // The moon is in daylight itself, and the sky around it is not.
    const moon = { kind: 'far', widthDeg: null, heightDeg: 0.52, orientation: 'either' };
    const fill = { min: 0.1, max: 0.3 };
    expect(
      moodOf(personFrame('f', 5, 5, 'free', { need: { ...moon, fill }, light: lightOf(14) })),
    ).toBe('night');
  });

  it('lays a fisheye by its projection: the horizon stays straight, what is above it bends', () => {
    const frame = {
      ...focalFrame('f', 8, 8, 'free'),
      need: { kind: 'fisheye', coverage: 'circular' },
    } as Frame;
    const lens = aLens('eye', 8, 8, 4, { projection: 'equidistant' });
    const eye = { ...setup(8), projection: lens.projection };
    render(<Photo frame={frame} setup={eye} limits={limits} />);
    const [horizon, eaves] = [
      ...screen.getByTestId('fisheye').querySelectorAll(':scope > g > path'),
    ].map((path) =>
      path
        .getAttribute('d')!
        .slice(1)
        .split('L')
        .map((point) => point.split(' ').map(Number) as [number, number]),
    );
    for (const [, y] of horizon!) expect(Math.abs(y)).toBeLessThan(1e-9);
    // Equidistant: 45° from the axis is half as far out as 90°.
    const at = (i: number) => horizon![i]![0];
    expect(at(18) / at(24)).toBeCloseTo(0.5, 6);
    expect(Math.min(...eaves!.map(([, y]) => y))).toBeLessThan(-0.1);
  });

  it.each([
    ['Oarlock, close up', 'ring', 'fitting'],
    ['The rings', 'ring', 'ring'],
    ['A bee on its flower', null, 'flower'],
    ['Butterfly', null, 'insect'],
    ['The long table', null, 'plate'],
    ['Chisels', null, 'tool'],
    ['Flowers for the crew', 'standingPerson', 'person'],
  ] as const)(
    'draws %s as what its name says, where it stands for many things',
    (name, of, kind) => {
      const need = { ...personFrame('f', 1, 1, 'free').need, widthM: 0.05, heightM: 0.04 };
      const frame = { ...personFrame('f', 1, 1, 'free'), name, subject: of, need } as Frame;
      expect(figureOf(frame)!.kind).toBe(kind);
    },
  );

  it('stands on the ground that its name, its stretch or the outing tells of, the nearest first', () => {
    const places = {
      outing: 'Old town',
      stretches: [{ id: 's' as never, name: 'Finals', place: 'Towpath and far bank' }],
    };
    const ground = (name: string, ...stretchIds: string[]) =>
      groundIn({ name, stretchIds: stretchIds as never }, places);
    expect(ground('Prize-giving under the awning', 's')).toBe('shelter');
    expect(ground('Cox calling', 's')).toBe('shore');
    expect(ground('Cox calling')).toBe('street');
    expect(ground('Boathouse door', 's')).toBe('room');
    expect(groundIn({ name: 'Anyone', stretchIds: [] }, { outing: '', stretches: [] })).toBeNull();
  });

  it.each(SUBJECT_KEYS)('draws %s at its size', (key) => {
    const { widthM, heightM } = SUBJECTS.find((s) => s.key === key)!;
    const need = { ...personFrame('f', 10, 10, 'free').need, widthM, heightM } as Frame['need'];
    const frame = { ...personFrame('f', 10, 10, 'free'), subject: key, need };
    const figure = figureOf(frame)!;
    if (widthM !== null) expect(figure.width).toBe(widthM);
    if (heightM !== null) expect(figure.height).toBe(heightM);
    expect(drawn(frame).querySelectorAll('path, circle, rect').length).toBeGreaterThan(4);
  });
});
