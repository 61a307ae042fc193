import type { FrameId } from '@/core/brief';
import type { Ground } from '@/core/ground';
import type { Edit } from './edits';

/** What stands on a plan of the ground, by the list that it is in. */
export const GROUND_KINDS = ['stations', 'subjects', 'obstacles', 'closed'] as const;
export type GroundKind = (typeof GROUND_KINDS)[number];
export type OnGround = { [K in GroundKind]: Ground[K][number] };

/** Changes the sheet itself, or takes a whole plan. */
export const setGround =
  (change: Partial<Ground>): Edit =>
  (file) => ({ ...file, ground: { ...file.ground, ...change } });

/** Puts a thing in its place on the plan, or at the end when it is new. */
export const putOnGround =
  <K extends GroundKind>(kind: K, thing: OnGround[K]): Edit =>
  (file) => {
    const things = file.ground[kind] as OnGround[K][];
    const isKnown = things.some((t) => t.id === thing.id);
    const next = isKnown ? things.map((t) => (t.id === thing.id ? thing : t)) : [...things, thing];
    return setGround({ [kind]: next })(file);
  };

/** Takes a thing off the plan; pictures of a subject keep their distances and follow it no more. */
export const removeFromGround =
  (kind: GroundKind, id: string): Edit =>
  (file) =>
    setGround({
      [kind]: (file.ground[kind] as { id: string }[]).filter((t) => t.id !== id),
    })(file);

/** Ties a picture to a subject of the plan, whose distances it then follows, or unties it. */
export const tieFrame =
  (frameId: FrameId, subjectId: string | null): Edit =>
  (file) =>
    setGround({
      subjects: file.ground.subjects.map((s) => {
        const others = s.frameIds.filter((id) => id !== frameId);
        if (s.id === subjectId) return { ...s, frameIds: [...others, frameId] };
        return others.length === s.frameIds.length ? s : { ...s, frameIds: others };
      }),
    })(file);
