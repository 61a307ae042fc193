import type { Frame, FrameId, Limits } from '@/core/brief';
import { shortfallOf, verdictOn } from '@/core/coverage';
import { type LensId, mountableSetups, type Setup, type Shelf } from '@/core/gear';
import type { Covering } from './cells';
import { framesGot } from './evaluate';
import { byVerdict } from './frames';
import type { LensIn, LensOut } from './result';
import type { Selectable } from './selectable';

/** For each lens in the lineup, the frames that are lost when it stays at home. */
export function lensesIn(
  lensIds: readonly LensId[],
  covering: Covering,
  taken: ReadonlySet<string>,
  got: ReadonlySet<FrameId>,
): LensIn[] {
  return lensIds.map((lensId) => {
    const left = framesGot(covering, new Set([...taken].filter((id) => id !== lensId)));
    return { lensId, onlyIt: [...got].filter((id) => !left.has(id)) };
  });
}

/** For each lens that stays out, what it makes, what it lacks, and why it is out. */
export function lensesOut(
  shelf: Shelf,
  frames: readonly Frame[],
  limits: Limits,
  choice: Selectable,
  covering: Covering,
  taken: ReadonlySet<string>,
  got: ReadonlySet<FrameId>,
): LensOut[] {
  const lockedOut = new Set(limits.lockedOut);
  const bodies = shelf.bodies.filter((b) => !lockedOut.has(b.id));
  const bySetupLens = new Map<LensId, Setup[]>();
  for (const setup of mountableSetups({ ...shelf, bodies, converters: [] })) {
    bySetupLens.set(setup.lensId, [...(bySetupLens.get(setup.lensId) ?? []), setup]);
  }
  const selectableIds = new Set(choice.pieces.map((p) => p.id));
  return shelf.lenses
    .filter((l) => !taken.has(l.id))
    .map((l) => {
      const setups = bySetupLens.get(l.id) ?? [];
      const with_ = selectableIds.has(l.id) ? framesGot(covering, new Set([...taken, l.id])) : got;
      const wouldAdd = [...with_].filter((id) => !got.has(id));
      return {
        lensId: l.id,
        ...serviceOf(setups, frames, limits),
        reason: reasonOut(l.id, setups.length > 0, lockedOut, selectableIds, choice, wouldAdd.length > 0),
        wouldAdd,
      };
    });
}

function serviceOf(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
): Pick<LensOut, 'makes' | 'lacks'> {
  const makes: FrameId[] = [];
  const lacks: LensOut['lacks'][number][] = [];
  for (const frame of frames) {
    const best = setups.map((s) => verdictOn(s, frame, limits)).sort(byVerdict)[0];
    if (!best) continue;
    const shortfall = shortfallOf(best);
    if (shortfall === null) makes.push(frame.id);
    else lacks.push({ frameId: frame.id, bodyId: best.bodyId, shortfall });
  }
  return { makes, lacks };
}

function reasonOut(
  id: LensId,
  fitsABody: boolean,
  lockedOut: ReadonlySet<string>,
  selectableIds: ReadonlySet<string>,
  choice: Selectable,
  adds: boolean,
): LensOut['reason'] {
  if (lockedOut.has(id)) return 'locked-out';
  if (choice.weightUnknown.includes(id)) return 'weight-unknown';
  if (!selectableIds.has(id)) return 'source';
  if (!fitsABody) return 'no-body';
  return adds ? 'earns-too-little' : 'adds-nothing';
}
