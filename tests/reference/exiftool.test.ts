import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as optics from '@/core/optics';

/**
 * Depth of field, light value and angle of view against exiftool (Debian's libimage-exiftool-perl),
 * run here on a metadata file that carries the settings. Its conventions: circle of confusion = diagonal of
 * 36×24 mm / 1440 / scale, hyperfocal distance without the focal length, angles along the long side.
 */

const folder = mkdtempSync(join(tmpdir(), 'arm-reach-'));
afterAll(() => rmSync(folder, { recursive: true }));

interface Composite {
  readonly ScaleFactor35efl: number;
  readonly CircleOfConfusion: string;
  readonly HyperfocalDistance: string;
  readonly LightValue: number;
  readonly DOF: string;
}

function composite(f: number, n: number, t: number, iso: number, distance: number, f35: number) {
  const path = join(folder, `${f}-${n}-${distance}.exv`);
  execFileSync('exiftool', [
    '-q',
    '-o',
    path,
    `-FocalLength=${f}`,
    `-FocalLengthIn35mmFormat=${f35}`,
    `-FNumber=${n}`,
    `-ExposureTime=${t}`,
    `-ISO=${iso}`,
    `-SubjectDistance=${distance}`,
  ]);
  const [read] = JSON.parse(
    execFileSync('exiftool', ['-j', '-n', '-Composite:all', path], { encoding: 'utf8' }),
  ) as Composite[];
  return read!;
}

test.each([
  [50, 8, 1 / 125, 100, 5, 50],
  [85, 1.8, 1 / 500, 400, 2, 85],
  [24, 11, 1 / 60, 100, 3, 24],
  [35, 2.8, 1 / 250, 1600, 4, 52],
  [200, 4, 1 / 1000, 800, 20, 300],
])('%d mm f/%d, %d s, ISO %d at %d m, acting as %d mm', (f, n, t, iso, distance, f35) => {
  const read = composite(f, n, t, iso, distance, f35);
  const scale = f35 / f;
  const coc = Math.hypot(36, 24) / 1440 / scale;
  const close = (got: number, want: number, share: number) =>
    expect(Math.abs(got / want - 1)).toBeLessThan(share);
  close(read.ScaleFactor35efl, scale, 1e-3);
  close(parseFloat(read.CircleOfConfusion), coc, 1e-3);
  close((optics.hyperfocalMm(f, n, coc) - f) / 1000, parseFloat(read.HyperfocalDistance), 1e-3);
  expect(optics.ev100Of({ fNumber: n, timeS: t, iso })).toBeCloseTo(read.LightValue, 3);
  const [near, far] = read.DOF.split(' ').map(Number);
  // A depth asks for the f-number that gives it; the tool's limits are rounded to a centimetre or less.
  const asked = optics.fNumberForDepth(f, coc, near! * 1000, far === 0 ? Infinity : far! * 1000);
  expect(distance).toBeGreaterThan(near!);
  if (far === 0) expect(asked).toBeLessThanOrEqual(n * 1.01);
  else close(asked, n, 0.05);
});
