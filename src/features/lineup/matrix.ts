import { type Frame } from '@/core/brief';
import { type Verdict, verdictOn } from '@/core/coverage';
import { type Kit, kitKey, mountableSetups, type Setup } from '@/core/gear';
import { bestOfEachKit, type LineupQuestion, type LineupResult } from '@/core/lineup';

/** Verdicts of the lineup's kits on every frame: frames as rows, kits as columns. */
export interface VerdictMatrix {
  readonly kits: readonly Kit[];
  readonly rows: readonly {
    readonly frame: Frame;
    readonly verdicts: readonly (Verdict | null)[];
  }[];
}

export function verdictMatrix(
  { frames, shelf, limits }: LineupQuestion,
  result: LineupResult,
): VerdictMatrix {
  const lensIds = new Set<string>(result.lineup.lensIds);
  const converterIds = new Set<string>(result.lineup.converterIds);
  const setups: Setup[] = mountableSetups({
    mounts: shelf.mounts,
    bodies: shelf.bodies.filter(
      (b) => limits.sources.includes(b.ownership) && !limits.lockedOut.includes(b.id),
    ),
    lenses: shelf.lenses.filter((l) => lensIds.has(l.id)),
    converters: shelf.converters.filter((c) => converterIds.has(c.id)),
  });
  const kits = [...new Map(setups.map((s) => [kitKey(s), s])).values()].sort(
    (a, b) => a.focal.wideMm - b.focal.wideMm || a.focal.longMm - b.focal.longMm,
  );
  return {
    kits,
    rows: frames.map((frame) => {
      const best = new Map(
        bestOfEachKit(setups.map((s) => verdictOn(s, frame, limits))).map((v) => [kitKey(v), v]),
      );
      return { frame, verdicts: kits.map((kit) => best.get(kitKey(kit)) ?? null) };
    }),
  };
}
