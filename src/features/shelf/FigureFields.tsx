'use client';

import { type GearFigure, type FigureKey, figuresOf } from '@/core/gear';
import { useFile } from '@/session';
import { ABSENT, figureLabel, MEASURE_UNITS } from '@/text';
import { FormKnown, FormNumber, FormText } from '@/ui';

/** The fields of some figures, in their order. */
export function FigureFields({
  figures,
}: {
  figures: Partial<Readonly<Record<FigureKey, GearFigure>>>;
}) {
  const { outing } = useFile();
  return figuresOf(figures as Readonly<Record<string, GearFigure>>).map(([name, figure]) => {
    const label = figureLabel(name as FigureKey, figure);
    const { measure, absent = 'unknown' } = figure;
    if (measure === 'flag') return <FormKnown key={name} name={name} label={label} />;
    if (measure === 'text') return <FormText key={name} name={name} label={label} nullable />;
    const unit = measure === 'money' ? outing.currency : MEASURE_UNITS[measure];
    return (
      <FormNumber
        key={name}
        name={name}
        label={label}
        placeholder={ABSENT[absent]}
        {...(unit === '' ? {} : { unit })}
      />
    );
  });
}
