import type { Browser } from '@playwright/test';
import { EMPTY_GROUND, type Ground, isInBand, screensOf } from '@/core/ground';
import { encode, groundFrom, newObstacle, newStation, newSubject } from '@/document';
import { numbers } from '../tests/support/numbers';
import { tracedTasks } from './longTasks';
import { demoOuting } from './outings';

/** The demo on a plan with 20 subjects, 12 stations and 30 obstacles. */
function crowdedGround(): Ground {
  const next = numbers(5);
  const place = () => ({ xM: Math.round(300 * next()), yM: Math.round(160 * next()) });
  const some = <T extends object>(count: number, of: (i: number) => T) =>
    Array.from({ length: count }, (_, i) => ({ ...of(i), id: `x${i}`, name: `Number ${i}` }));
  const frames = demoOuting().frames.filter((f) => f.need.kind === 'subject');
  return {
    ...groundFrom('room', (key) => key),
    ...EMPTY_GROUND,
    widthM: 300,
    heightM: 160,
    stations: some(12, () => newStation(place())) as Ground['stations'],
    subjects: some(20, (i) => ({
      ...newSubject(i % 2 === 0 ? 'point' : 'path', i % 2 === 0 ? [place()] : [place(), place()]),
      frameIds: frames[i] ? [frames[i].id] : [],
    })) as Ground['subjects'],
    obstacles: some(30, (i) => {
      const at = place();
      return i % 3 === 0
        ? newObstacle('pillar', [at])
        : newObstacle('wall', [at, { xM: at.xM + 8, yM: at.yM + 5 }]);
    }) as Ground['obstacles'],
  };
}

/** Places asked of a crowded plan whether a picture is made from them. */
const PLACES = 10_000;

/** How long it takes to tell of so many places whether a picture is made from them, ms. */
export function benchBands(): { readonly ms: number; readonly places: number } {
  const ground = crowdedGround();
  const screens = screensOf(ground.obstacles);
  const next = numbers(7);
  const started = performance.now();
  for (let i = 0; i < PLACES; i += 1)
    isInBand(
      { xM: ground.widthM * next(), yM: ground.heightM * next() },
      {
        subject: ground.subjects[i % ground.subjects.length]!,
        footing: 'held',
        covered: [{ from: 5, to: 120 }],
        cameraM: 1.6,
        screens,
        closed: [],
      },
    );
  return { ms: performance.now() - started, places: PLACES };
}

/** How long the tasks of the page are while a station is dragged over a crowded plan, ms, longest first. */
export async function benchDrag(browser: Browser, address: string): Promise<number[]> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/brief`);
  await page.getByTestId('answer').waitFor();
  const file = { ...demoOuting(), ground: crowdedGround() };
  await page.getByLabel('Outing file to open').setInputFiles({
    name: 'crowded.armreach.json',
    mimeType: 'application/json',
    buffer: Buffer.from(encode(file)),
  });
  const open = page.getByRole('button', { name: 'Open the outing' });
  const opened = page.getByText(/^Opened /);
  await open.or(opened).first().waitFor();
  if (await open.isVisible()) await open.click();
  await opened.waitFor();
  await page.getByText('Saved here').waitFor();
  await page.goto(`${address}/ground`);
  const station = page.getByTestId('plan').getByRole('button', { name: /^Number 3, point 1/ });
  await station.first().waitFor();
  await page.waitForTimeout(4000);
  const box = (await station.first().boundingBox())!;
  const tasks = await tracedTasks(browser, page, async () => {
    await page.mouse.move(box.x + 6, box.y + 6);
    await page.mouse.down();
    for (let i = 0; i < 60; i += 1) {
      await page.mouse.move(box.x + 6 + 3 * i, box.y + 6 + i);
      await page.waitForTimeout(30);
    }
  });
  await page.mouse.up();
  await page.close();
  return tasks.toSorted((a, b) => b - a);
}
