import { readFileSync } from 'node:fs';
import { decodeValue } from '@/document';
import { solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { outingFromStarter, STARTERS } from './index';
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
