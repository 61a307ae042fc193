import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aShooter,
  aStretch,
  focalFrame,
  assignmentsOf,
  lightOf,
  someLimits,
} from '../../../../tests/support/gear';
import { solveWith } from '../../../../tests/support/solve';
import { shooterId } from '@/core/brief';
import { loadHighsSolver } from '@/solver';
import type { LineupQuestion } from '../problem/question';

const solving = loadHighsSolver();
const solve = async (question: LineupQuestion) => solveWith(await solving, question);

const heavy = aBody({ id: 'heavy', weightG: 900 });
const light = aBody({ id: 'light', weightG: 400 });
const middling = aBody({ id: 'middling', weightG: 600 });
const all = [heavy, light, middling];
const wide = aLens('wide', 24, 24, 4);
const tele = aLens('tele', 200, 200, 4);
const near = focalFrame('near', 24, 24, 'free');
const far = focalFrame('far', 200, 200, 'free');
const fixed = aStretch('boat', { changes: false });

describe('which bodies come along', () => {
  it('is the lightest that does, where weight counts bodies and where it does not', async () => {
    const shelf = aShelf([wide], [], all);
    for (const countBodies of [true, false]) {
      const limits = someLimits({ countBodies, maxLineupWeightG: countBodies ? 900 : null });
      const answer = await solve(aQuestion({ shelf, frames: [near], limits }));
      expect(answer).toMatchObject({ status: 'proven', bodies: ['light'] });
      expect(answer.totals.weightG).toBe(countBodies ? 900 : 500);
    }
  });

  it('is what a picture needs: the one that stands high sensitivity', async () => {
    const dim = focalFrame('dim', 24, 24, 'free', {
      light: lightOf(0, { longestTimeS: 1 / 60, support: 'hand' }),
    });
    const bodies = [aBody({ id: 'quiet', weightG: 900 }), aBody({ id: 'loud', isoCeiling: 100 })];
    const limits = someLimits({ isoCeiling: 102_400 });
    const answer = await solve(
      aQuestion({ shelf: aShelf([wide], [], bodies), frames: [dim], limits }),
    );
    expect(answer.bodies).toEqual(['quiet']);
  });

  it('is a second one where a lens may not be changed, and only there', async () => {
    const shelf = aShelf([wide, tele], [], all);
    const frames = [near, far];
    const answer = await solve(aQuestion({ shelf, frames, stretches: [fixed] }));
    expect(answer.totals.musts.got).toBe(2);
    expect([...answer.bodies].sort()).toEqual(['light', 'middling']);
  });

  it.each([
    [[24, 35, 70], 70],
    [[24, 70, 35], 70],
    [[70, 24, 35], 70],
    [[35, 70, 24], 35],
    [[24, 35, 50], 50],
  ])(
    'bears for a stretch what has to be cropped least, of what comes anyway: %j',
    async (mm, at) => {
      const shelf = aShelf(
        mm.map((focal, i) => aLens(`l${i}`, focal, focal, 4)),
        [],
        [light],
      );
      const output = { kind: 'pixels', longPx: 1000, shortPx: 600, cut: false };
      const frames = [focalFrame('boat', at, at, 'free', { stretchIds: [fixed.id], output })];
      const limits = someLimits({ maxCrop: 4, lockedIn: shelf.lenses.map(({ id }) => id) });
      const answer = await solve(aQuestion({ shelf, frames, stretches: [fixed], limits }));
      expect(answer.frames[0]).toMatchObject({
        state: 'clear',
        covers: [{ lensId: `l${mm.indexOf(at)}` }],
      });
    },
  );

  it('is also the one that comes always, and never the one that stays', async () => {
    const shelf = aShelf([wide], [], all);
    const limits = someLimits({ lockedIn: ['heavy'], lockedOut: ['light'] });
    const answer = await solve(aQuestion({ shelf, frames: [near], limits }));
    expect(answer.bodies).toContain('heavy');
    expect(answer.bodies).not.toContain('light');
    expect(answer.bodies).toHaveLength(1);
  });

  it('is not a spare, which makes no picture', async () => {
    const shelf = aShelf([wide, tele], [], [light, middling]);
    const limits = someLimits({ spares: [{ bodyId: middling.id, lies: 'bag' }] });
    const question = aQuestion({ shelf, frames: [near, far], stretches: [fixed], limits });
    const answer = await solve(question);
    expect(answer.bodies).toEqual(['light']);
    expect(answer.totals.musts.got).toBe(1);
  });

  it('weighs a body that nobody has weighed as usual for its format', async () => {
    const unknown = aBody({ id: 'unknown', weightG: null });
    const shelf = aShelf([wide], [], [unknown, heavy]);
    expect((await solve(aQuestion({ shelf, frames: [near] }))).bodies).toEqual(['unknown']);
  });
});

describe('a picture covered twice', () => {
  const two = [light, middling];
  const lead = aShooter('lead');
  const second = aShooter('second');
  const asked = (change: Record<string, unknown>, who: string[], bodies = two) =>
    aQuestion({
      outing: { shooters: [lead, second] },
      stretches: [aStretch('church', { hands: who.map((id) => assignmentsOf(id)) })],
      shelf: aShelf([aLens('a', 24, 24, 4), aLens('b', 24, 24, 4)], [], bodies),
      frames: [focalFrame('entrance', 24, 24, 'free', change)],
    });

  it('by two people needs two who are there', async () => {
    const needsBackup = { twice: { by: 'people', shooterIds: [] } };
    const both = await solve(asked(needsBackup, ['lead', 'second']));
    expect(both.totals.musts.got).toBe(1);
    expect(both.lineup.lensIds).toHaveLength(2);
    expect(both.bodies).toHaveLength(2);
    expect((await solve(asked(needsBackup, ['lead']))).totals.musts.got).toBe(0);
  });

  it('from named places needs those, each able there', async () => {
    const corners = { twice: { by: 'people', shooterIds: ['lead', 'second'] } };
    expect((await solve(asked(corners, ['lead', 'second']))).totals.musts.got).toBe(1);
    expect((await solve(asked(corners, ['lead', 'second'], [light]))).totals.musts.got).toBe(0);
  });

  it('is covered once where nothing covers it twice, and says what that takes', async () => {
    const byBodies = { twice: { by: 'bodies' } };
    const byPeople = { twice: { by: 'people', shooterIds: [] } };
    const oneCamera = await solve(asked(byBodies, ['lead'], [light]));
    expect(oneCamera.frames[0]).toMatchObject({ state: 'once', once: 'one-camera', kept: null });
    expect(oneCamera).toMatchObject({ status: 'proven', lineup: { lensIds: ['a'] } });
    // No lens would help: what is wanting is a camera.
    expect(oneCamera.lensesOut).toMatchObject([{ reason: 'adds-nothing', wouldAdd: [] }]);
    expect(oneCamera.totals.musts).toEqual({ got: 0, once: 1, of: 1 });
    const onePerson = await solve(asked(byPeople, ['lead']));
    expect(onePerson.frames[0]).toMatchObject({ state: 'once', once: 'one-person' });
    const question = asked(byBodies, ['lead']);
    const shelf = { ...question.shelf, lenses: question.shelf.lenses.slice(0, 1) };
    const oneLens = await solve({ ...question, shelf });
    expect(oneLens.frames[0]).toMatchObject({ state: 'once', once: 'one-lens' });
    const limits = someLimits({ maxLenses: 1 });
    const limited = (await solve({ ...question, limits })).frames[0]!;
    expect(limited.state).toBe('once');
    expect(limited.kept?.members).toContainEqual({ kind: 'maxLenses', allowed: 1, needed: 2 });
  });

  it('counts lost musts before those covered once, and these before wants and items', async () => {
    const question = asked({ twice: { by: 'bodies' } }, ['lead']);
    const far = focalFrame('far', 200, 200, 'free');
    const wish = focalFrame('wish', 300, 300, 'free', { want: 'want' });
    const lenses = [...question.shelf.lenses, tele, aLens('longer', 300, 300, 4)];
    const of = async (maxLenses: number) =>
      (
        await solve({
          ...question,
          shelf: { ...question.shelf, lenses },
          frames: [...question.frames, far, wish],
          limits: someLimits({ maxLenses }),
        })
      ).frames.map((f) => f.state);
    expect(await of(2)).toEqual(['once', 'clear', 'lost']);
    expect(await of(3)).toEqual(['clear', 'clear', 'lost']);
    expect(await of(4)).toEqual(['clear', 'clear', 'clear']);
  });

  it('by two bodies may be in one person’s hands', async () => {
    const answer = await solve(asked({ twice: { by: 'bodies' } }, ['lead']));
    expect(answer.totals.musts.got).toBe(1);
    expect(answer.bodies).toHaveLength(2);
  });
});

describe('a placed camera', () => {
  const stand = aShooter('stand', true);
  const lead = aShooter('lead');
  const there = ['lead', 'stand'].map((id) => assignmentsOf(id));

  it('keeps one setup in its stretch, where a person changes', async () => {
    const bodies = [light, middling];
    const question = (shooterIds: string[]) =>
      aQuestion({
        outing: { shooters: [lead, stand] },
        stretches: [aStretch('rite', { hands: there })],
        shelf: aShelf([wide, tele], [], bodies),
        frames: [near, far].map((f) => ({
          ...f,
          shooterIds: shooterIds.map((id) => shooterId.parse(id)),
        })),
        limits: someLimits({ lockedOut: ['middling'] }),
      });
    expect((await solve(question(['lead']))).totals.musts.got).toBe(2);
    expect((await solve(question(['stand']))).totals.musts.got).toBe(1);
  });

  it('stands on a support: it is no one’s hand that must keep still', async () => {
    const slow = focalFrame('slow', 200, 200, 'free', {
      shooterIds: ['stand'],
      light: lightOf(3, { isoCeiling: 400, support: 'hand' }),
    });
    const by = (placed: boolean) =>
      solve(
        aQuestion({
          outing: { shooters: [lead, { ...stand, placed }] },
          stretches: [aStretch('rite', { hands: there })],
          shelf: aShelf([tele], [], [light]),
          frames: [slow],
        }),
      );
    expect((await by(true)).totals.musts.got).toBe(1);
    expect((await by(false)).totals.musts.got).toBe(0);
  });
});
