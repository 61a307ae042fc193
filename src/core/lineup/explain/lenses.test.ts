import { loadHighsSolver } from '@/solver';
import {
  aBody,
  aConverter,
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
} from '../../../../tests/support/gear';
import { solveWith } from '../../../../tests/support/solve';

const solving = loadHighsSolver();

describe('a lens that covers no picture on its own', () => {
  const enough = aLens('enough', 400, 400, 5.6);
  const far = focalFrame('far', 400, 400, 'free');
  const out = async (...[lens, converters, frames, body]: Parameters<typeof ask>) =>
    (await ask(lens, converters, frames, body)).lensesOut.find((l) => l.lensId === lens.id)?.alone;
  const ask = async (
    lens: ReturnType<typeof aLens>,
    converters: ReturnType<typeof aConverter>[] = [],
    frames = [far],
    body = aBody(),
  ) => {
    const shelf = aShelf([enough, lens], converters, [body]);
    return solveWith(await solving, aQuestion({ shelf, frames }));
  };

  it('says with what it does', async () => {
    const lens = aLens('short', 200, 200, 2.8);
    const alone = await out(lens, [aConverter('double', 2, ['short'])]);
    expect(alone).toMatchObject({ kind: 'only-with', stack: { converterId: 'double' } });
    expect(alone).toMatchObject({ frameIds: ['far'] });
  });

  it('says what it lacks for the picture that it comes nearest to', async () => {
    const frames = [focalFrame('near', 240, 240, 'free'), far];
    const lens = aLens('short', 200, 200, 2.8);
    const alone = await out(lens, [], frames);
    expect(alone).toMatchObject({ kind: 'nearest', lack: { frameId: 'near' } });
  });

  it('says that it is past the autofocus limit', async () => {
    const asked = { special: { ...far.special, autofocus: true } };
    const lens = aLens('dark', 400, 400, 11);
    const body = aBody({ autofocusLimitFNumber: 8 });
    const alone = await out(lens, [], [{ ...far, ...asked }], body);
    expect(alone).toMatchObject({
      kind: 'nearest',
      lack: { shortfall: { code: 'autofocus-limit', fNumber: 11, limitFNumber: 8 } },
    });
  });
});
