'use client';

import { type GearFigure, type FigureKey, figuresOf } from '@/core/gear';
import { useFile, useKnownGear } from '@/session';
import { ABSENT, figureLabel, measureUnit, usualText } from '@/text';
import { FormKnown, FormNumber, FormText } from '@/ui';

/** The fields of some figures of an item, in their order; what nobody knows says what is usual. */
export function FigureFields({
  itemId,
  figures,
}: {
  itemId: string;
  figures: Partial<Readonly<Record<FigureKey, GearFigure>>>;
}) {
  const { outing } = useFile();
  const shelf = useKnownGear();
  return figuresOf(figures as Readonly<Record<string, GearFigure>>).map(([name, figure]) => {
    const label = figureLabel(name as FigureKey, figure);
    const { measure, absent = 'unknown' } = figure;
    if (measure === 'flag') return <FormKnown key={name} name={name} label={label} />;
    if (measure === 'text') return <FormText key={name} name={name} label={label} nullable />;
    const unit = measureUnit(measure, outing.currency);
    return (
      <FormNumber
        key={name}
        name={name}
        label={label}
        placeholder={usualText(shelf, outing.currency, itemId, name as FigureKey) ?? ABSENT[absent]}
        {...(unit === '' ? {} : { unit })}
      />
    );
  });
}
