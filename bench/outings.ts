import { readFileSync } from 'node:fs';
import {
  type Frame,
  frameId,
  shooterId,
  type Standpoint,
  stationId,
  stretchId,
} from '@/core/brief';
import type { Shift } from '@/core/carry';
import { bodyId, lensId, type Setup } from '@/core/gear';
import { EMPTY_GROUND } from '@/core/ground';
import { assignmentsOf, type LineupQuestion } from '@/core/lineup';
import { decode, type OutingFile } from '@/document';
import { numbers } from '../tests/support/numbers';

/** Made-up outings of any size, the same on every run: the demo's gear and frames, varied. */

export const demoOuting = (): OutingFile => outingIn('demo/regatta.armreach.json');

/** The demo with distances as they were typed before it had a plan: what is varied stays comparable. */
export const plainOuting = (): OutingFile => ({
  ...demoOuting(),
  frames: outingIn('tests/fixtures/released/outing-9.json').frames,
  ground: EMPTY_GROUND,
});

function outingIn(path: string): OutingFile {
  const read = decode(readFileSync(path, 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
}

/** An outing with so many lenses, frames and stretches; frames of stretches left out may be made in any. */
export function outingOf(
  lensCount: number,
  frameCount: number,
  stretchCount: number,
  seed = 4,
): LineupQuestion {
  const { shelf, frames, limits, outing, stretches: all } = plainOuting();
  const stretches = all.slice(-stretchCount);
  const next = numbers(seed);
  const between = (low: number, high: number) => low + (high - low) * next();
  const pick = <T>(from: readonly T[]) => from[Math.floor(next() * from.length)] as T;
  const lenses = Array.from({ length: lensCount }, (_, i) => {
    const model = pick(shelf.lenses);
    const scale = between(0.85, 1.2);
    return {
      ...model,
      id: lensId.parse(`lens-${i}`),
      ownership: 'owned' as const,
      weightG: Math.round(between(150, 3000)),
      priceNew: Math.round(between(100, 9000)),
      measured: null,
      focal: { wideMm: model.focal.wideMm * scale, longMm: model.focal.longMm * scale },
      apertures: model.apertures.map((p) => ({ ...p, focalMm: p.focalMm * scale })),
    };
  });
  const many = Array.from({ length: frameCount }, (_, i) => {
    const model = frames[i % frames.length]!;
    const scale = 1 + 0.1 * Math.floor(i / frames.length);
    const need =
      model.need.kind === 'subject'
        ? { ...model.need, fromM: model.need.fromM * scale, toM: model.need.toM * scale }
        : model.need;
    const stretchIds = model.stretchIds.filter((id) => stretches.some((s) => s.id === id));
    return { ...model, need, stretchIds, id: frameId.parse(`frame-${i}`) };
  });
  return {
    outing,
    stretches,
    shelf: { ...shelf, lenses, converters: [] },
    frames: many,
    limits,
  };
}

/** A typical outing of which every picture may be made from six stations. */
export function stationsOuting(): LineupQuestion {
  const question = outingOf(40, 20, 4);
  const next = numbers(11);
  return {
    ...question,
    frames: question.frames.map((frame) => {
      if (frame.need.kind !== 'subject') return frame;
      const { fromM, toM } = frame.need;
      const standpoints = Array.from({ length: 6 }, (_, i): Standpoint => {
        const factor = 0.7 + 1.1 * next();
        return {
          stationId: stationId.parse(`station-${i}`),
          shooterIds: i === 5 ? [shooterId.parse('second')] : [],
          stretchIds: [],
          fromM: fromM * factor,
          toM: toM * factor,
          seenPercent: next() < 0.15 ? 0 : 100,
        };
      });
      return { ...frame, standpoints };
    }),
  };
}

/** The demo with ten lenses taken, all four bodies, and two shooters in every stretch. */
export function carryOuting(): OutingFile {
  const demo = plainOuting();
  const lockedIn = [
    'k-16-35',
    'k-24-70',
    'k-70-200',
    'k-100-400',
    'k-50',
    'k-85',
    't-10-24',
    't-16-55',
    't-23',
    't-70-300',
  ];
  return {
    ...demo,
    stretches: demo.stretches.map((s) => ({
      ...s,
      hands: demo.outing.shooters.map(({ id }) => ({
        shooterId: id,
        bodyIds: [],
        bodies: null,
        maxWeightG: null,
      })),
    })),
    limits: { ...demo.limits, lockedIn, sources: ['owned', 'borrowed', 'wished'] },
  };
}

/**
 * Shifts of a hard plan: three people who may all hold four cameras, 12 lenses, eight stretches and 60
 * pictures, of which 20 may be made in any stretch; each by three lenses on any camera.
 */
export function hardShifts(seed = 9): Shift[] {
  const next = numbers(seed);
  const upTo = (n: number) => Math.floor(next() * n);
  const bodyIds = ['b0', 'b1', 'b2', 'b3'].map((id) => bodyId.parse(id));
  const people = ['p0', 'p1', 'p2'].map((id) => shooterId.parse(id));
  const meetings = people.flatMap((a) => people.flatMap((b) => (a === b ? [] : [[a, b] as const])));
  const pictures = Array.from({ length: 60 }, (_, i) => ({
    frame: { id: frameId.parse(`f${i}`) } as Frame,
    stretch: i < 20 ? null : upTo(8),
    lenses: Array.from({ length: 3 }, () => `l${upTo(12)}`),
    people: people.flatMap((_, p) => (i % 3 === 0 || p === upTo(3) ? [p] : [])),
  }));
  return Array.from({ length: 8 }, (_, at): Shift => ({
    stretchId: stretchId.parse(`s${at}`),
    changes: true,
    meetings,
    assignments: people.map((id, p) => ({
      bodyIds,
      assignedSetups: [],
      assignment: {
        ...assignmentsOf(
          { outing: { shooters: [] }, stretches: [], frames: [], limits: demoOuting().limits },
          [],
        )[0]!,
        index: 3 * at + p,
        shooterId: id,
        bodyIds,
        bodiesAtOnce: 4,
      },
    })),
    tasks: pictures.flatMap(({ frame, stretch, lenses, people: by }) =>
      stretch !== null && stretch !== at
        ? []
        : [
            {
              frame,
              options: (by.length === 0 ? [0] : by).flatMap((p) =>
                bodyIds.flatMap((body) =>
                  lenses.map((lens) => [
                    {
                      key: `${body} ${lens}`,
                      bodyId: body,
                      setup: {} as Setup,
                      items: [lens],
                      assignment: 3 * at + p,
                    },
                  ]),
                ),
              ),
            },
          ],
    ),
  }));
}
