'use client';

import { ArrowUp, X } from 'lucide-react';
import { useWatch } from 'react-hook-form';
import { LATE_AIMS, type LateAim, type Limits } from '@/core/brief';
import { panelText, USUAL_LIMIT_NAMES } from '@/text';
import { IconButton } from '@/ui/Button';
import { SelectField, Tick } from '@/ui/fields';
import { FormNumber, FormSelect, useFormSet } from '@/ui/form';

const t = panelText.usualLimitFields;

interface Prefixed {
  /** Where the limits stand in the form, with a dot at its end; nothing where they are the form. */
  readonly prefix: string;
}

/** The fields of these limits, within a form. */
export function UsualLimitFields({ prefix = '' }: Partial<Prefixed>) {
  const name = (key: keyof typeof USUAL_LIMIT_NAMES) => `${prefix}${key}`;
  return (
    <>
      <FormNumber name={name('isoCeiling')} label={USUAL_LIMIT_NAMES.isoCeiling} />
      <FormNumber name={name('maxCrop')} label={USUAL_LIMIT_NAMES.maxCrop} unit="×" />
      <FormNumber
        name={name('wantRatePercent')}
        label={USUAL_LIMIT_NAMES.wantRatePercent}
        unit="%"
        hint={t.ofTheWantedPictures0}
      />
      <FormNumber
        name={name('needTolerancePercent')}
        label={USUAL_LIMIT_NAMES.needTolerancePercent}
        unit="%"
        hint={t.markedFocalLengthsAreRounded}
      />
      <FormSelect
        name={name('priceBasis')}
        label={USUAL_LIMIT_NAMES.priceBasis}
        options={[
          ['new', t.newIt],
          ['used', t.used],
        ]}
      />
      <FormSelect
        name={name('lensKinds')}
        label={USUAL_LIMIT_NAMES.lensKinds}
        options={[
          ['any', t.ofAnyKind],
          ['primes', t.primesOnly],
          ['zooms', t.zoomsOnly],
          ['constant-zooms', t.constantZooms],
        ]}
      />
      <CircleField prefix={prefix} />
      {(['converterPieces', 'tubePieces', 'adapterPieces'] as const).map((key) => (
        <FormNumber key={key} name={name(key)} label={USUAL_LIMIT_NAMES[key]} unit="lens" />
      ))}
      <div className="col-span-2">
        <ConvertersTick prefix={prefix} />
      </div>
      <OrderField prefix={prefix} />
    </>
  );
}

function ConvertersTick({ prefix }: Prefixed) {
  const set = useFormSet();
  const on = useWatch({ name: `${prefix}converters` }) as boolean;
  return (
    <Tick
      label={t.convertersMayBeUsed}
      on={on}
      onChange={(next) => set(`${prefix}converters`, next)}
    />
  );
}

/** What counts as sharp. */
function CircleField({ prefix }: Prefixed) {
  const set = useFormSet();
  const kind = useWatch({
    name: `${prefix}circleOfConfusion.kind`,
  }) as Limits['circleOfConfusion']['kind'];
  return (
    <>
      <SelectField
        label={t.circleOfConfusion}
        value={kind}
        options={[
          ['output', t.byTheOutput],
          ['diagonal', t.byTheDiagonal],
          ['pixels', t.byThePixel],
        ]}
        onChange={(next) =>
          set(
            `${prefix}circleOfConfusion`,
            next === 'output'
              ? { kind: next }
              : next === 'diagonal'
                ? { kind: next, divisor: 1500 }
                : { kind: next, px: 2 },
          )
        }
      />
      {kind === 'diagonal' && (
        <FormNumber
          name={`${prefix}circleOfConfusion.divisor`}
          label={t.circleOfConfusionDiagonal}
        />
      )}
      {kind === 'pixels' && (
        <FormNumber name={`${prefix}circleOfConfusion.px`} label={t.blurOf} unit="px" />
      )}
      {kind === 'output' && (
        <p className="self-end text-[12px] text-soft">{t.twoPixelsOfTheOutput}</p>
      )}
    </>
  );
}

const AIMS: Record<LateAim, string> = {
  weight: 'lighter',
  price: 'cheaper',
  speed: t.spareLight,
  changes: t.fewerChanges,
  crop: t.lessCropping,
  own: t.ownedGearFirst,
  grade: t.betterLensesAsYouGrade,
};

/** What decides among lineups that get the same with as many pieces, first to last. */
function OrderField({ prefix }: Prefixed) {
  const set = useFormSet();
  const order = useWatch({ name: `${prefix}order` }) as LateAim[];
  const left = LATE_AIMS.filter((aim) => !order.includes(aim));
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">{t.amongEquallySmallLineupsPrefer}</legend>
      <ol>
        {order.map((aim, i) => (
          <li key={aim} className="flex items-center justify-between border-b border-hair">
            {i + 1}. {AIMS[aim]}
            <span>
              <IconButton
                label={t.moveUp(AIMS[aim])}
                disabled={i === 0}
                onClick={() =>
                  set(`${prefix}order`, [
                    ...order.slice(0, i - 1),
                    aim,
                    order[i - 1],
                    ...order.slice(i + 1),
                  ])
                }
              >
                <ArrowUp size={14} aria-hidden />
              </IconButton>
              <IconButton
                label={t.leaveOut(AIMS[aim])}
                onClick={() =>
                  set(
                    `${prefix}order`,
                    order.filter((a) => a !== aim),
                  )
                }
              >
                <X size={14} aria-hidden />
              </IconButton>
            </span>
          </li>
        ))}
      </ol>
      {left.length > 0 && (
        <SelectField
          label={t.then}
          value="none"
          options={[['none', t.nothingMore], ...left.map((aim) => [aim, AIMS[aim]] as const)]}
          onChange={(aim) => aim !== 'none' && set(`${prefix}order`, [...order, aim])}
        />
      )}
    </fieldset>
  );
}
