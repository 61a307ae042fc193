'use client';

import { useId } from 'react';
import { GROUND_TEMPLATES, groundFrom, type GroundTemplate } from '@/document';
import { groundText } from '@/text';
import { Button, Hatch } from '@/ui';
import { scaleOf, wholeOf } from './scale';
import { ClosedShape, ObstacleShape, StationMark, SubjectShape } from './shapes';

const t = groundText;

const SIZE = { width: 250, height: 190 };

/** An outing without a plan: usual grounds to start from, each as it would be drawn. */
export function Templates({
  onStart,
}: {
  readonly onStart: (template: GroundTemplate | null) => void;
}) {
  return (
    <div className="space-y-3 pt-3">
      <h1 className="text-xl">{t.page.title}</h1>
      <p className="max-w-prose">{t.page.noneMeasured}</p>
      <p className="text-soft">{t.page.startFrom}</p>
      <ul className="flex flex-wrap gap-4">
        {GROUND_TEMPLATES.map((template) => (
          <li key={template}>
            <button
              type="button"
              className="border border-hair bg-sheet text-left hover:border-ink"
              onClick={() => onStart(template)}
            >
              <Sketch template={template} />
              <span className="block border-t border-hair px-2 py-1">{t.templates[template]}</span>
            </button>
          </li>
        ))}
      </ul>
      <Button onClick={() => onStart(null)}>{t.templates.blank}</Button>
    </div>
  );
}

/** A template in small, without names. */
function Sketch({ template }: { readonly template: GroundTemplate }) {
  const ground = groundFrom(template, () => '-');
  const hatch = useId();
  const scale = scaleOf(ground, SIZE, wholeOf(ground), 10);
  const shape = { scale, isSelected: false };
  return (
    <svg width={SIZE.width} height={SIZE.height} aria-hidden>
      <Hatch id={hatch} />
      {ground.closed.map((of) => (
        <ClosedShape key={of.id} of={of} hatch={hatch} {...shape} />
      ))}
      {ground.obstacles.map((of) => (
        <ObstacleShape key={of.id} of={of} {...shape} />
      ))}
      {ground.subjects.map((of) => (
        <SubjectShape key={of.id} of={of} {...shape} />
      ))}
      {ground.stations.map((of) => (
        <StationMark key={of.id} of={of} {...shape} />
      ))}
    </svg>
  );
}
