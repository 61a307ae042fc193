'use client';

import {
  ABSENCES,
  itemsOf,
  type Loan,
  loan as schema,
  loanDays,
  type Ownership,
  type Shelf,
  type Source,
  SOURCES,
} from '@/core/gear';
import { keepOnShelf, setLimits, setStanding } from '@/document';
import { useDesk, useEdit, useEditDesk, useFile } from '@/session';
import { Button, NumberField, SelectField, TextField } from '@/ui';
import { counted, formatMoney, OWNERSHIPS, shelfText, moneySign } from '@/text';

const t = shelfText.standing;

interface StandingProps {
  readonly id: string;
  readonly name: string;
  /** How it stands on the shelf. */
  readonly ownership: Ownership;
}

type StandingChoice = Ownership | 'no';

/** Whether an item comes on this outing and as what; a loan has its days and its price. */
export function Standing({ id, name, ownership }: StandingProps) {
  const { plan } = useDesk();
  const file = useFile();
  const edit = useEditDesk();
  const editOuting = useEdit();
  const has = (shelf: Shelf) => itemsOf(shelf).some((i) => i.id === id);
  const isAlone = has(plan.alone);
  const special = plan.arranged.find((a) => a.itemId === id);
  const standing: StandingChoice = special?.as ?? (has(file.shelf) ? ownership : 'no');
  if (isAlone)
    return (
      <div className="space-y-2 border-l-2 border-hair pl-3">
        <p className="text-[13px]">
          {t.usedInThisOutingOnly(OWNERSHIPS[special?.as ?? ownership])}
        </p>
        <span className="flex flex-wrap gap-2">
          <Button onClick={() => edit(keepOnShelf(new Set([id]), 'owned'))}>
            {t.addToMyShelf}
          </Button>
          <Button onClick={() => edit(keepOnShelf(new Set([id]), 'wished'))}>{t.addAsAWish}</Button>
        </span>
      </div>
    );
  return (
    <div className="space-y-2">
      <SelectField
        label={t.onThisOuting}
        value={standing}
        options={choicesFor(ownership)}
        onChange={(as) => edit(setStanding(id, as === 'no' ? null : as))}
      />
      {isSource(standing) && !file.limits.sources.includes(standing) && (
        <p className="text-[13px]">
          {t.thisOutingsLimitsExcludeGear(OWNERSHIPS[standing])}
          <Button
            onClick={() => editOuting(setLimits({ sources: [...file.limits.sources, standing] }))}
          >
            {t.includeIt}
          </Button>
        </p>
      )}
      {special && (special.as === 'borrowed' || special.as === 'rented') && (
        <LoanFields
          name={name}
          priced={special.as === 'rented'}
          loan={special.loan}
          currency={file.outing.currency}
          outing={file.outing}
          onChange={(loan) => edit(setStanding(id, special.as, loan), `${id}.loan`)}
        />
      )}
    </div>
  );
}

const isSource = (standing: StandingChoice): standing is Source =>
  (SOURCES as readonly string[]).includes(standing);

function choicesFor(ownership: Ownership): readonly (readonly [StandingChoice, string])[] {
  if (ownership === 'owned')
    return [
      ['owned', t.canCome],
      ...ABSENCES.map((a) => [a, OWNERSHIPS[a]] as const),
      ['no', t.notComing],
    ];
  return [
    ['no', t.notOnThisOuting],
    ...SOURCES.filter((s) => s !== 'owned').map((s) => [s, t.forIt(OWNERSHIPS[s])] as const),
  ];
}

function LoanFields({
  name,
  priced,
  loan,
  currency,
  outing,
  onChange,
}: {
  name: string;
  priced: boolean;
  loan: Loan | null;
  currency: string;
  outing: { readonly firstDay: string | null; readonly lastDay: string | null };
  onChange: (loan: Loan) => void;
}) {
  const now: Loan = loan ?? { from: outing.firstDay, to: outing.lastDay, pricePerDay: null };
  const days = loanDays(now);
  const short =
    (now.from !== null && outing.firstDay !== null && now.from > outing.firstDay) ||
    (now.to !== null && outing.lastDay !== null && now.to < outing.lastDay);
  const day = (text: string) => (/^\d{4}-\d{2}-\d{2}$/.test(text) ? text : null);
  const put = (change: Partial<Loan>) => {
    const read = schema.safeParse({ ...now, ...change });
    if (read.success) onChange(read.data);
  };
  return (
    <fieldset className="grid grid-cols-2 gap-2">
      <legend className="sr-only">{t.loanOf(name)}</legend>
      <TextField
        label={t.from}
        type="date"
        value={now.from ?? ''}
        onChange={(text) => put({ from: day(text) })}
      />
      <TextField
        label={t.to}
        type="date"
        value={now.to ?? ''}
        onChange={(text) => put({ to: day(text) })}
      />
      {priced && (
        <NumberField
          label={t.priceADay}
          unit={moneySign(currency)}
          value={now.pricePerDay}
          placeholder={t.unknown}
          onChange={(pricePerDay) => put({ pricePerDay })}
        />
      )}
      <p className="col-span-2 text-[13px] text-soft">
        {days !== null && counted(days, 'day')}
        {days !== null &&
          priced &&
          now.pricePerDay !== null &&
          t.inAll(formatMoney(days * now.pricePerDay, currency))}
        {short && <span className="block text-wrong">{t.itIsntThereForThe}</span>}
      </p>
    </fieldset>
  );
}
