import { loadHighsSolver } from '@/solver';
import { DEFAULT_PACKING } from '@/core/brief';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aShooter,
  aStretch,
  assignmentsOf,
  focalFrame,
} from '../../../tests/support/gear';
import { solveWith } from '../../../tests/support/solve';
import { carryAnswer, framesAsPlanned } from '.';

test('what makes a picture, and who has what, are told as the plan has them', async () => {
  const shooters = [aShooter('lead'), aShooter('second')];
  const hands = ['lead', 'second'].map((id) => assignmentsOf(id));
  const question = aQuestion({
    outing: { shooters },
    stretches: [aStretch('dance', { hands }), aStretch('after', { hands, changes: false })],
    shelf: aShelf(
      [aLens('a', 24, 70, 4), aLens('b', 70, 200, 4)],
      [],
      [aBody({ id: 'one' }), aBody({ id: 'two' })],
    ),
    frames: [
      focalFrame('wide', 30, 30, 'free', { stretchIds: ['dance'] }),
      focalFrame('either', 70, 70, 'free', { stretchIds: ['dance'] }),
      focalFrame('long', 180, 180, 'free', { stretchIds: ['after'] }),
    ],
  });
  const result = solveWith(await loadHighsSolver(), question);
  const asked = { ...question, outing: { shooters, currency: 'EUR' }, packing: DEFAULT_PACKING };
  const { plan } = carryAnswer(asked, result);
  const made = plan.stretches.flatMap(({ hands: all }) =>
    all.flatMap(({ doings, shooterId: who }) =>
      doings.flatMap((d) => (d.kind === 'frame' ? d.with.map((on) => ({ ...d, on, who })) : [])),
    ),
  );
  expect(made.map((m) => m.frameId).sort()).toEqual(['either', 'long', 'wide']);
  // Turned round first: the order comes from the plan alone.
  const turned = result.frames.map((f) => ({ ...f, covers: [...f.covers].reverse() }));
  for (const frame of framesAsPlanned(asked, turned, plan)) {
    const { on } = made.find((m) => m.frameId === frame.frameId)!;
    expect([frame.covers[0]!.bodyId, frame.covers[0]!.lensId]).toEqual([on.bodyId, on.pieceIds[0]]);
  }
});
