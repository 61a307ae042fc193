'use client';

import { ArrowUp, X } from 'lucide-react';
import { useWatch } from 'react-hook-form';
import { LATE_AIMS, type LateAim, type Limits } from '@/core/brief';
import { USUAL_LIMIT_NAMES } from '@/text';
import { IconButton } from '@/ui/Button';
import { SelectField, Tick } from '@/ui/fields';
import { FormNumber, FormSelect, useFormSet } from '@/ui/form';

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
        hint="of the wanted pictures; 0 takes anything that helps"
      />
      <FormNumber
        name={name('needTolerancePercent')}
        label={USUAL_LIMIT_NAMES.needTolerancePercent}
        unit="%"
        hint="marked focal lengths are rounded"
      />
      <FormSelect
        name={name('priceBasis')}
        label={USUAL_LIMIT_NAMES.priceBasis}
        options={[
          ['new', 'new'],
          ['used', 'used'],
        ]}
      />
      <FormSelect
        name={name('lensKinds')}
        label={USUAL_LIMIT_NAMES.lensKinds}
        options={[
          ['any', 'of any kind'],
          ['primes', 'primes only'],
          ['zooms', 'zooms only'],
          ['constant-zooms', 'constant zooms'],
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
      label="Converters may be used"
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
        label="Circle of confusion"
        value={kind}
        options={[
          ['output', 'by the output'],
          ['diagonal', 'by the diagonal'],
          ['pixels', 'by the pixel'],
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
          label="Circle of confusion: diagonal ÷"
        />
      )}
      {kind === 'pixels' && (
        <FormNumber name={`${prefix}circleOfConfusion.px`} label="Blur of" unit="px" />
      )}
      {kind === 'output' && (
        <p className="self-end text-[12px] text-soft">
          two pixels of the output, else diagonal ÷ 1500
        </p>
      )}
    </>
  );
}

const AIMS: Record<LateAim, string> = {
  weight: 'lighter',
  price: 'cheaper',
  speed: 'light in hand',
  changes: 'fewer changes',
  crop: 'less cropping',
  own: 'owned gear first',
  grade: 'better lenses, as you grade them',
};

/** What decides among lineups that get the same with as many pieces, first to last. */
function OrderField({ prefix }: Prefixed) {
  const set = useFormSet();
  const order = useWatch({ name: `${prefix}order` }) as LateAim[];
  const left = LATE_AIMS.filter((aim) => !order.includes(aim));
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">Among equally small lineups, prefer</legend>
      <ol>
        {order.map((aim, i) => (
          <li key={aim} className="flex items-center justify-between border-b border-hair">
            {i + 1}. {AIMS[aim]}
            <span>
              <IconButton
                label={`Put ${AIMS[aim]} earlier`}
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
                label={`Leave out ${AIMS[aim]}`}
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
          label="And then"
          value="none"
          options={[['none', 'nothing more'], ...left.map((aim) => [aim, AIMS[aim]] as const)]}
          onChange={(aim) => aim !== 'none' && set(`${prefix}order`, [...order, aim])}
        />
      )}
    </fieldset>
  );
}
