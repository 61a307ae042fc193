import { aStretch } from '../../../tests/support/gear';
import { placedNames } from '@/ui';
import { scaleOf, snapped, wholeOf } from './scale';
import { stretchNow } from './stretchOn';

const SHEET = { widthM: 100, heightM: 50 };
const scale = scaleOf(SHEET, { width: 1052, height: 552 }, wholeOf(SHEET));
const at = (xM: number, yM: number) => ({ xM, yM });

describe('a dragged place', () => {
  // 10 px a metre: the ruler's steps are half a metre, and it catches within 0.7 m.
  it.each([
    ['another point', at(20.5, 30.4), [at(20.2, 30.1)], [], at(20.2, 30.1)],
    ['whole steps of the ruler', at(20.6, 30.3), [], [], at(20.5, 30.5)],
    ['a right angle, a whole length away', at(10.3, 33.2), [], [at(10.2, 20.1)], at(10.2, 33.1)],
    ['30°, a whole length away', at(27.2, 30.2), [], [at(10, 20)], at(27.32, 30)],
    ['none of them', at(24, 25), [], [at(10, 20)], at(24, 25)],
  ])('is drawn to %s', (_, place, others, joined, expected) => {
    expect(snapped(place, others, scale, joined)).toEqual(expected);
  });
});

describe('names on a plan', () => {
  const name = (key: string, x: number, y: number, isBefore = false) => ({
    ...{ key, lines: [key], x, y, isBefore, gap: 11, bold: false, isAbove: false },
  });
  const boxOf = (n: ReturnType<typeof placedNames>[number]) => {
    const width = 6.2 * n.key.length;
    const left = n.ends ? n.atX - width : n.atX;
    return { left, right: left + width, top: n.atY - 10, bottom: n.atY + 4 };
  };

  const PAPER = { width: 600, height: 400 };

  it('stand beside their marks where there is room', () => {
    const [right, left] = placedNames(
      [name('Bank', 100, 100), name('Bridge', 400, 100, true)],
      PAPER,
    );
    expect(right).toMatchObject({ atX: 111, ends: false });
    expect(left).toMatchObject({ atX: 389, ends: true });
    // At the edge of the paper, and along a line, elsewhere.
    const [edge] = placedNames([name('Bridge', 590, 100)], PAPER);
    expect(edge).toMatchObject({ ends: true });
    const [line] = placedNames([{ ...name('Course', 100, 100), isAbove: true }], PAPER);
    expect(line!.atY).toBeLessThan(96);
  });

  it('lie over no other name or mark, however close their marks are', () => {
    const marks = ['Near bank', 'Far bank', 'Bridge arch', 'Quay'].map((key, i) =>
      name(key, 200 + 14 * (i % 2), 100 + 22 * Math.floor(i / 2)),
    );
    const boxes = placedNames(marks, PAPER).map(boxOf);
    for (const [i, a] of boxes.entries())
      for (const b of boxes.slice(i + 1)) {
        const apart =
          a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top;
        expect(apart).toBe(true);
      }
  });
});

describe('the stretch that is on', () => {
  const at = (day: string, fromTime: string, toTime: string) => ({ day, fromTime, toTime });
  const stretches = [
    aStretch('heats', at('2027-06-12', '08:30', '12:30')),
    aStretch('night', at('2027-06-12', '22:00', '01:30')),
    aStretch('whenever'),
  ];

  it.each([
    ['2027-06-12', '08:29', null],
    ['2027-06-12', '08:30', 'heats'],
    ['2027-06-12', '12:30', null],
    ['2027-06-13', '09:00', null],
    ['2027-06-12', '23:00', 'night'],
    ['2027-06-13', '01:29', 'night'],
    ['2027-06-13', '01:30', null],
    ['2027-06-14', '00:30', null],
  ])('on %s at %s: %s', (day, time, expected) => {
    // By the clock of this machine, whatever its zone.
    expect(stretchNow(stretches, new Date(`${day}T${time}:00`))?.id ?? null).toBe(expected);
  });
});
