import { type Frame, withReserve } from '@/core/brief';
import { type Verdict, verdictOn } from '@/core/coverage';
import { type Stack, stackKey, mountableSetups, type Setup } from '@/core/gear';
import { bestOfEachStack, type LineupQuestion, type LineupResult } from '@/core/lineup';

/** Verdicts of the lineup's stacks on every frame: frames as rows, stacks as columns. */
export interface VerdictMatrix {
  readonly stacks: readonly Stack[];
  readonly rows: readonly {
    readonly frame: Frame;
    readonly verdicts: readonly (Verdict | null)[];
  }[];
}

export function verdictMatrix(
  { frames, shelf, limits }: Pick<LineupQuestion, 'frames' | 'shelf' | 'limits'>,
  result: LineupResult,
): VerdictMatrix {
  const lensIds = new Set<string>(result.lineup.lensIds);
  const { converterIds, tubeIds, adapterIds } = result.lineup;
  const itemIds = new Set<string>([...converterIds, ...tubeIds, ...adapterIds]);
  const unheld = new Set<string>(
    result.notes.flatMap((n) => (n.code === 'reserve-impossible' ? n.ids : [])),
  );
  const setups: Setup[] = mountableSetups({
    mounts: shelf.mounts,
    bodies: shelf.bodies.filter((b) => result.bodies.includes(b.id)),
    lenses: shelf.lenses.filter((l) => lensIds.has(l.id)),
    converters: shelf.converters.filter((c) => itemIds.has(c.id)),
    tubes: shelf.tubes.filter((t) => itemIds.has(t.id)),
    adapters: shelf.adapters.filter((a) => itemIds.has(a.id)),
  });
  const stacks = [...new Map(setups.map((s) => [stackKey(s), s])).values()].sort(
    (a, b) => a.focal.wideMm - b.focal.wideMm || a.focal.longMm - b.focal.longMm,
  );
  return {
    stacks,
    rows: frames.map((frame) => {
      const asked = unheld.has(frame.id) ? frame : withReserve(frame, limits.reserve);
      const best = new Map(
        bestOfEachStack(setups.map((s) => verdictOn(s, asked, limits))).map((v) => [
          stackKey(v),
          v,
        ]),
      );
      return { frame, verdicts: stacks.map((stack) => best.get(stackKey(stack)) ?? null) };
    }),
  };
}
