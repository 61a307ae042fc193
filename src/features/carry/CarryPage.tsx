'use client';

import { isAfter, parseISO } from 'date-fns';
import { Printer } from 'lucide-react';
import Link from 'next/link';
import { type ReactNode, useMemo, useState } from 'react';
import {
  type CarryPlan,
  type Caution,
  cautionsFor,
  packingList,
  type PackingLine,
} from '@/core/carry';
import { dayAfter, minutesOf, type Stretch } from '@/core/brief';
import type { LineupResult } from '@/core/lineup';
import { setPacking } from '@/document';
import { carryText, dayText, namesOf } from '@/text';
import { useCarryPlan, useEdit, useFile, useSelection } from '@/session';
import { Button, Menu, Sentence, useNarrow, usePrinting } from '@/ui';
import { carriedNow, HelpLink, Views } from '@/parts';
import { Bag } from './Bag';
import { Cautions, cautionsByStretch } from './Cautions';
import { exportCalendar, exportCsv, exportMarkdown } from './exports';
import { Lanes } from './Lanes';
import { PackingView } from './PackingView';
import { BagSettings, DaySettings, PackingSettings } from './PlanSettings';
import { StretchPlan } from './StretchPlan';
import { Summary } from './Summary';
import { WhatIf } from './WhatIf';

const t = carryText.carryPage;

export function CarryPage() {
  const file = useFile();
  const { question, result, answer, thinking, problem } = useCarryPlan();
  const name = namesOf(file);
  const lines = useMemo(
    () => (question && answer ? packingList(question, answer.plan) : []),
    [question, answer],
  );
  const cautions = useMemo(
    () => (question && answer ? cautionsFor(question, answer.plan) : []),
    [question, answer],
  );
  const selection = useSelection('view');
  const [now] = useState(() => new Date());
  if (!answer || !question || !result) {
    return (
      <p className="pt-4 text-soft">{problem ? t.couldntPlanTheDay(problem) : t.planningTheDay}</p>
    );
  }
  const { plan } = answer;
  if (plan.stretches.every((s) => s.hands.every((h) => h.doings.length === 0))) {
    return <NothingToCarry />;
  }
  const cautionsAt = cautionsByStretch(cautions, plan);
  return (
    <div className="space-y-4 pt-4">
      <PlanBar lines={lines} result={result} changes={plan.changes} />
      <Lanes plan={plan} />
      <Summary answer={answer} thinking={thinking} />
      <Views
        of="/carry"
        label={carryText.views.label}
        first="stretches"
        selection={selection}
        onPaper={['stretches', 'packing', 'bag']}
        contents={{
          stretches: (
            <Beside settings={<DaySettings answer={answer} />}>
              <Stretches
                plan={plan}
                next={nextOf(file.stretches, now)}
                cautionsAt={cautionsAt.at}
              />
            </Beside>
          ),
          packing: (
            <Beside settings={<PackingSettings />}>
              <PackingView lines={lines} />
              <Cautions cautions={cautionsAt.elsewhere} />
            </Beside>
          ),
          bag: (
            <Beside settings={<BagSettings />}>
              <Bag plan={plan} lines={lines} />
            </Beside>
          ),
          whatif: <WhatIf question={question} result={result} name={name} />,
        }}
      />
    </div>
  );
}

/** A view with what it goes by at its side. */
function Beside({
  settings,
  children,
}: {
  readonly settings: ReactNode;
  readonly children: ReactNode;
}) {
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="min-w-0 space-y-6">{children}</div>
      <aside aria-label={t.carrying} className="print:hidden">
        {settings}
      </aside>
    </div>
  );
}

/** The stretches day by day; on a phone only one is open: the one that was asked for, else the next. */
function Stretches({
  plan,
  next,
  cautionsAt,
}: {
  readonly plan: CarryPlan;
  readonly next: string | null;
  readonly cautionsAt: (index: number) => Caution[];
}) {
  const { stretches } = useFile();
  const [asked, ask] = useSelection('stretch');
  const isNarrow = useNarrow();
  const isPrinting = usePrinting();
  const isFolded = isNarrow && !isPrinting;
  const open = asked ?? next ?? plan.stretches[0]?.stretchId ?? null;
  const planned = plan.stretches.map((s, i) => ({ ...s, cautions: cautionsAt(i) }));
  return daysOf(planned, stretches).map(([day, those]) => (
    <div key={day} className="space-y-5 print:break-after-page" data-testid="carry-day">
      {those.map((s) => (
        <StretchPlan
          key={s.stretchId}
          plan={s}
          cautions={s.cautions}
          isNext={s.stretchId !== null && s.stretchId === next}
          isOpen={!isFolded || s.stretchId === open}
          onTurn={isFolded ? () => ask(s.stretchId === open ? NONE : s.stretchId) : null}
        />
      ))}
    </div>
  ));
}

/** In the address: no stretch is open. */
const NONE = 'none';

/** The heading, with the ways out of the browser. */
function PlanBar({
  lines,
  result,
  changes,
}: {
  readonly lines: readonly PackingLine[];
  readonly result: LineupResult;
  readonly changes: number;
}) {
  const file = useFile();
  const edit = useEdit();
  const { carried } = file.packing;
  const now = () => carriedNow(result, changes, new Date());
  const ways = [
    {
      label: t.stretchesAsACalendar,
      hint: '.ics',
      onSelect: () => void exportCalendar(file),
    },
    { label: t.packingListAsCsv, hint: '.csv', onSelect: () => exportCsv(file, lines) },
    { label: t.packingListAsMarkdown, hint: '.md', onSelect: () => exportMarkdown(file, lines) },
  ];
  return (
    <div className="flex flex-wrap items-end justify-between gap-3">
      <span className="flex items-center">
        <h1 className="text-xl">{t.theDayStretchByStretch}</h1>
        <HelpLink topic="day" />
      </span>
      <span className="flex gap-2 print:hidden">
        <Button
          aria-pressed={carried !== null}
          onClick={() => edit(setPacking({ carried: carried ? null : now() }))}
        >
          {carried ? t.carriedOn(dayText(carried.day)) : t.iCarriedThis}
        </Button>
        <Button
          onClick={() => {
            // What is printed is what is carried.
            if (carried === null) edit(setPacking({ carried: now() }));
            window.print();
          }}
        >
          <Printer size={14} aria-hidden />
          {t.print}
        </Button>
        <Menu trigger={<Button>{t.exportIt}</Button>} groups={[ways]} />
      </span>
    </div>
  );
}

function NothingToCarry() {
  const link = (href: string, name: string) => (
    <Link className="underline" href={href}>
      {name}
    </Link>
  );
  return (
    <p className="max-w-prose pt-4">
      <Sentence parts={t.nothingToCarryYet(link('/brief', t.brief), link('/shelf', t.shelf))} />
    </p>
  );
}

/** The stretch that is on, or comes next; null when all are over or have no times. */
function nextOf(stretches: readonly Stretch[], now: Date): string | null {
  const endOf = ({ day, fromTime, toTime }: Stretch) => {
    if (day === null || toTime === null) return null;
    const isOverMidnight = fromTime !== null && minutesOf(toTime) <= minutesOf(fromTime);
    return parseISO(`${isOverMidnight ? dayAfter(day, 1) : day}T${toTime}`);
  };
  return stretches.find((s) => isAfter(endOf(s) ?? 0, now))?.id ?? null;
}

/** The stretches by day, in their order; those without a day go with the one before. */
function daysOf<T extends { readonly stretchId: string | null }>(
  planned: readonly T[],
  stretches: readonly Stretch[],
): [string, T[]][] {
  const days: [string, T[]][] = [];
  for (const s of planned) {
    const day = stretches.find((x) => x.id === s.stretchId)?.day ?? days.at(-1)?.[0] ?? 'whole';
    const last = days.at(-1);
    if (last && last[0] === day) last[1].push(s);
    else days.push([day, [s]]);
  }
  return days;
}
