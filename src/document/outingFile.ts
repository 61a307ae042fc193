import { z } from 'zod';
import { frame, limits, outing } from '@/core/brief';
import { shelf } from '@/core/gear';

export const FILE_FORMAT = 'armreach';
export const FILE_VERSION = 1;
export const MAX_FRAMES = 500;

/** The outing as stored, exported and posted: one JSON document. */
export const outingFile = z
  .strictObject({
    format: z.literal(FILE_FORMAT),
    version: z.literal(FILE_VERSION),
    outing,
    frames: z.array(frame).max(MAX_FRAMES),
    shelf,
    limits,
  })
  .superRefine((file, context) => {
    const seen = new Set<string>();
    file.frames.forEach((f, i) => {
      if (seen.has(f.id)) {
        context.addIssue({
          code: 'custom',
          path: ['frames', i, 'id'],
          message: `the id ${f.id} is used twice`,
        });
      }
      seen.add(f.id);
    });
    const { bodies, lenses, converters } = file.shelf;
    const pieces = new Set<string>([...lenses, ...converters].map((item) => item.id));
    const items = new Set<string>([...pieces, ...bodies.map((b) => b.id)]);
    const lockedOut = new Set(file.limits.lockedOut);
    file.limits.lockedIn.forEach((id, i) => {
      const path = ['limits', 'lockedIn', i];
      if (!pieces.has(id)) {
        context.addIssue({
          code: 'custom',
          path,
          message: `no lens or converter ${id} on the shelf`,
        });
      }
      if (lockedOut.has(id)) {
        context.addIssue({
          code: 'custom',
          path,
          message: `${id} is locked in and locked out at once`,
        });
      }
    });
    file.limits.lockedOut.forEach((id, i) => {
      if (!items.has(id)) {
        context.addIssue({
          code: 'custom',
          path: ['limits', 'lockedOut', i],
          message: `nothing called ${id} on the shelf`,
        });
      }
    });
  });
export type OutingFile = z.infer<typeof outingFile>;
