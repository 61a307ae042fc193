import type { FrameId, PositionUnit, ShooterId, StationId, StretchId, Want } from '@/core/brief';
import type { Conflict, Margins, Shortfall, VerdictCode } from '@/core/coverage';
import type { AdapterId, BodyId, ConverterId, LensId, Stack, TubeId } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import type { Open } from '../solve/choose';
import type { Assumption } from './assumptions';
import type { LimitConflict } from './conflicts';
import type { KeptOut } from './waysOut';
import type { Proof } from '../prove/proof';
import type { FrameState } from './frameState';
import type { Gap, Overlap } from './ranges';
import type { UnknownDecides } from './unknownDecides';
import { type BeyondLimit, type UnknownUnderLimit } from '../problem/limitRules';

export const RESULT_VERSION = 7;

/** One setup's part in a frame. */
export interface Cover {
  /** Stretch in which it does; null without stretches. */
  readonly stretchId: StretchId | null;
  /** Station of the ground from which it does; null where distances aren't measured. */
  readonly stationId: StationId | null;
  readonly bodyId: BodyId;
  readonly lensId: LensId;
  readonly adapterId: AdapterId | null;
  readonly converterId: ConverterId | null;
  readonly tubeId: TubeId | null;
  /** The converter built into the lens is switched in. */
  readonly builtIn: boolean;
  readonly code: VerdictCode;
  readonly ranges: readonly Interval[];
  readonly margins: Margins;
  /** What is lacking; null when it is clear or made by cropping. */
  readonly shortfall: Shortfall | null;
  /** What it rests on that is not known and is taken to do. */
  readonly assumed: readonly Assumption[];
}

/** Of what makes a picture, the first that makes all of it, else a part; null where nothing does. */
export function bestCover(covers: readonly Cover[]): Cover | null {
  return covers.find((c) => c.code !== 'part') ?? covers[0] ?? null;
}

/** What keeps a frame from being covered twice: there is but one of them, or no two at once. */
export type OnceReason = 'one-person' | 'one-camera' | 'one-lens' | 'not-at-once';

export interface FrameResult {
  readonly frameId: FrameId;
  readonly want: Want;
  readonly state: FrameState;
  readonly unit: PositionUnit;
  /** Setups of the lineup that make it, or some of it; the best setup of each stack. */
  readonly covers: readonly Cover[];
  /** Places that the lineup leaves unmade. */
  readonly missing: readonly Interval[];
  /** Places that nothing that may be chosen can make; empty when more gear in the lineup would do. */
  readonly impossible: readonly Interval[];
  /** The nearest miss of anything that may be chosen, when the frame is lost. */
  readonly nearest: Cover | null;
  /** Wishes of the frame that fight each other whatever the lens, when it is lost for that. */
  readonly conflict: Conflict | null;
  /** What keeps a must from being got that could be made by itself, and each way out; null for any other. */
  readonly kept: KeptOut | null;
  /** Why no station of the ground will do, where its distances are measured; null where one does. */
  readonly noStation: 'hidden' | 'nobody' | null;
  /** What keeps it from being covered twice, where it is covered once; null otherwise. */
  readonly once: OnceReason | null;
}

/** What is in one assignment in one stretch, where that is part of the choice. */
export interface AssignmentOutcome {
  readonly stretchId: StretchId | null;
  readonly shooterId: ShooterId | null;
  /** The station that is held to the end of the stretch; null where one may walk. */
  readonly stationId: StationId | null;
  /** Bodies in hand; null when all are. */
  readonly bodyIds: readonly BodyId[] | null;
  /** Items carried there; null when all that come along are. */
  readonly pieceIds: readonly string[] | null;
  /** Setups that stay on their bodies; null where they may be changed. */
  readonly fixed:
    readonly { readonly bodyId: BodyId; readonly pieceIds: readonly string[] }[] | null;
}

export interface LensIn {
  readonly lensId: LensId;
  /** Frames that are lost without it, nothing put in its place; null where time ran out over it. */
  readonly onlyIt: readonly FrameId[] | null;
}

/** What a lens lacks for one frame, by its best setup. */
export interface LensLack {
  readonly frameId: FrameId;
  readonly bodyId: BodyId;
  readonly shortfall: Shortfall;
}

/** Why a lens covers no frame on its own: what it covers some with, or where it comes nearest. */
export type AloneLack =
  | {
      readonly kind: 'only-with';
      readonly stack: Stack;
      readonly frameIds: readonly FrameId[];
    }
  | { readonly kind: 'nearest'; readonly lack: LensLack };

/** What a lens that stays out makes alone, and why it is out. */
export interface LensOut {
  readonly lensId: LensId;
  readonly makes: readonly FrameId[];
  readonly reason:
    | 'locked-out'
    | 'source'
    | 'kind'
    | UnknownUnderLimit
    | BeyondLimit
    | 'no-body'
    | 'adds-nothing'
    /** What it adds is as good, but of a weight or a price that nobody knows. */
    | 'unknown-decides'
    | 'bonus-only'
    | 'limit'
    | 'earns-too-little';
  /** Frames that the lineup would get with it besides. */
  readonly wouldAdd: readonly FrameId[];
  /** Where it makes none and adds nothing: why; null for any other, and past the first few. */
  readonly alone: AloneLack | null;
}

export interface Totals {
  readonly lenses: number;
  readonly pieces: number;
  /** All items, and the bodies along where they are counted; of those whose weight is known. */
  readonly weightG: number;
  /** Of what weighs in it, what nobody knows the weight of: it counts as is usual for its kind. */
  readonly weightUnknown: readonly string[];
  /** Standard error of the weight by what is estimated in it, g; 0 where all is known. */
  readonly weightErrorG: number;
  /** By the price that counts, else the other one, else as is usual for its kind. */
  readonly price: number;
  /** Standard error of the price by what is estimated in it; 0 where none is. */
  readonly priceError: number;
  /** Items of which nobody knows the price, estimated or not. */
  readonly priceUnknown: readonly string[];
  /** Money for what is only wished for. */
  readonly toBuy: number;
  /** Standard error of that by what is estimated in it; 0 where none is. */
  readonly toBuyError: number;
  /** Got as asked; `once` are those covered once only, though they are asked for twice. */
  readonly musts: { readonly got: number; readonly once: number; readonly of: number };
  readonly wants: {
    readonly got: number;
    readonly once: number;
    readonly of: number;
    readonly sharePercent: number;
  };
  readonly bonus: { readonly got: number; readonly once: number; readonly of: number };
}

/** What a result says besides the choice and its proof. */
export type Reason =
  'kept' | 'conflict' | 'unknown' | 'only-it' | 'lenses-out' | 'nearest' | 'ranges';

export type Note =
  | { readonly code: UnknownUnderLimit; readonly ids: readonly string[] }
  /** What is an estimate, under a limit on it. */
  | {
      readonly code: 'weight-unknown' | 'price-estimated' | 'diameter-estimated';
      readonly ids: readonly string[];
    }
  /** Lenses that are locked in although a limit on each lens would leave them out. */
  | { readonly code: BeyondLimit; readonly ids: readonly string[] }
  | { readonly code: 'pixels-unknown'; readonly ids: readonly string[] }
  /** Frames that nothing covers with what is held in reserve: they are asked for without. */
  | { readonly code: 'reserve-impossible'; readonly ids: readonly FrameId[] }
  /** Lenses whose cover of a frame rests on a figure that is not known. */
  | { readonly code: Assumption; readonly ids: readonly string[] }
  /** A figure that nobody knows decides: lenses that would do as well stay out for it. */
  | (UnknownDecides & { readonly code: 'unknown-decides' })
  /** Reasons that time ran out over: what the result has of them is not all. */
  | { readonly code: 'reasons-cut'; readonly ids: readonly Reason[] }
  | { readonly code: 'no-bodies' }
  | { readonly code: 'no-lenses' }
  | { readonly code: 'no-frames' };

/** Everything that is carried, packing included, against its limit. */
export interface Carried {
  readonly limitG: number;
  readonly weightG: number;
  /** Of it, what is neither a body in use nor an item. */
  readonly packedG: number;
  /** Packed things of unknown weight. */
  readonly unknown: readonly string[];
  /** Times that the choice was made, each with what the last one packs. */
  readonly rounds: number;
  /** Whether what is carried keeps to the limit. */
  readonly agrees: boolean;
}

/** What is printed, posted back and shown: one lineup with its reasons. */
export interface LineupResult {
  readonly format: 'armreach-lineup';
  readonly version: typeof RESULT_VERSION;
  /** unverified: a limit on weight is kept to by estimated weights. */
  readonly status: 'proven' | 'best-found' | 'impossible' | 'unverified';
  readonly lineup: {
    readonly lensIds: readonly LensId[];
    readonly converterIds: readonly ConverterId[];
    readonly tubeIds: readonly TubeId[];
    readonly adapterIds: readonly AdapterId[];
  };
  /** Bodies that come along. */
  readonly bodies: readonly BodyId[];
  /** Stretch by stretch, where what is in hand is part of the choice. */
  readonly hands: readonly AssignmentOutcome[];
  readonly frames: readonly FrameResult[];
  readonly proof: Proof;
  readonly gaps: readonly Gap[];
  readonly overlaps: readonly Overlap[];
  readonly lensesIn: readonly LensIn[];
  readonly lensesOut: readonly LensOut[];
  readonly totals: Totals;
  readonly notes: readonly Note[];
  /** null where all that is carried has no limit, or was not weighed. */
  readonly carried: Carried | null;
  /** The smallest set of limits and musts that cannot be had together; null when all can. */
  readonly conflict: LimitConflict | null;
  /** Aim at which time ran out, its value and the bound; null when proven. */
  readonly open: Open | null;
  readonly timing: { readonly modelMs: number; readonly solveMs: number; readonly totalMs: number };
}
