import type { FrameId, Want } from '@/core/brief';
import type { Margins, Shortfall, VerdictCode } from '@/core/coverage';
import type { BodyId, ConverterId, LensId } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import type { Aim } from './objective';
import type { Proof } from './proof';
import type { Gap, Overlap } from './ranges';

export const RESULT_VERSION = 1;

/** How a range of places is measured: metres from the lens, or mm on the 36×24 mm frame. */
export type PlaceUnit = 'm' | 'mm36x24' | 'far';

/** One setup's part in a frame. */
export interface Cover {
  readonly bodyId: BodyId;
  readonly lensId: LensId;
  readonly converterId: ConverterId | null;
  readonly code: VerdictCode;
  readonly ranges: readonly Interval[];
  readonly margins: Margins;
  /** What is lacking; null when it is clear or made by cropping. */
  readonly shortfall: Shortfall | null;
}

export interface FrameResult {
  readonly frameId: FrameId;
  readonly want: Want;
  readonly state: 'clear' | 'crop' | 'lost';
  readonly unit: PlaceUnit;
  /** Setups of the lineup that make it, or some of it; the best setup of each kit. */
  readonly covers: readonly Cover[];
  /** Places that the lineup leaves unmade. */
  readonly missing: readonly Interval[];
  /** Places that nothing that may be chosen can make; empty when more gear in the lineup would do. */
  readonly impossible: readonly Interval[];
  /** The nearest miss of anything that may be chosen, when the frame is lost. */
  readonly nearest: Cover | null;
}

export interface LensIn {
  readonly lensId: LensId;
  /** Frames that are lost without it, nothing put in its place. */
  readonly onlyIt: readonly FrameId[];
}

/** What a lens lacks for one frame, by its best setup. */
export interface LensLack {
  readonly frameId: FrameId;
  readonly bodyId: BodyId;
  readonly shortfall: Shortfall;
}

/** What a lens that stays out makes alone, and why it is out. */
export interface LensOut {
  readonly lensId: LensId;
  readonly makes: readonly FrameId[];
  readonly reason:
    | 'locked-out'
    | 'source'
    | 'weight-unknown'
    | 'no-body'
    | 'adds-nothing'
    | 'bonus-only'
    | 'limit'
    | 'earns-too-little';
  /** Frames that the lineup would get with it besides. */
  readonly wouldAdd: readonly FrameId[];
}

export interface Totals {
  readonly lenses: number;
  readonly pieces: number;
  /** Lenses and converters, without bodies; of those whose weight is known. */
  readonly weightG: number;
  readonly weightUnknown: readonly string[];
  /** New price where known, else used. */
  readonly price: number;
  readonly priceUnknown: readonly string[];
  /** Price of what is only wished for. */
  readonly toBuy: number;
  readonly musts: { readonly got: number; readonly of: number };
  readonly wants: { readonly got: number; readonly of: number; readonly sharePercent: number };
  readonly bonus: { readonly got: number; readonly of: number };
}

export type Note =
  | { readonly code: 'weight-unknown'; readonly ids: readonly string[] }
  | { readonly code: 'pixels-unknown'; readonly ids: readonly string[] }
  | { readonly code: 'no-bodies' }
  | { readonly code: 'no-lenses' }
  | { readonly code: 'no-frames' };

/** Limits that fight: the locked-in pieces alone break them. */
export interface Conflict {
  readonly limit: 'maxLenses' | 'maxLineupWeightG';
  readonly allowed: number;
  readonly needed: number;
  readonly ids: readonly string[];
}

/** What is printed, posted back and shown: one lineup with its reasons. */
export interface LineupResult {
  readonly format: 'armreach-lineup';
  readonly version: typeof RESULT_VERSION;
  readonly status: 'proven' | 'best-found' | 'impossible';
  readonly lineup: {
    readonly lensIds: readonly LensId[];
    readonly converterIds: readonly ConverterId[];
  };
  readonly frames: readonly FrameResult[];
  readonly proof: Proof;
  readonly gaps: readonly Gap[];
  readonly overlaps: readonly Overlap[];
  readonly lensesIn: readonly LensIn[];
  readonly lensesOut: readonly LensOut[];
  readonly totals: Totals;
  readonly notes: readonly Note[];
  readonly conflicts: readonly Conflict[];
  /** Aim at which time ran out, its value and the bound; null when proven. */
  readonly open: {
    readonly aim: Aim['name'];
    readonly value: number;
    readonly bound: number;
  } | null;
  readonly timing: { readonly modelMs: number; readonly solveMs: number; readonly totalMs: number };
}
