'use client';

import { ArrowRightLeft, Camera, ChevronDown } from 'lucide-react';
import type { Stretch } from '@/core/brief';
import type { CarryAssignment, CarryStretch, Caution, OnBody } from '@/core/carry';
import type { Cover } from '@/core/lineup';
import {
  forbiddenTexts,
  carryText,
  counted,
  formatDistances,
  aboutWeight,
  formatWeight,
  carriedWeightSteps,
  namesOf,
  stationName,
  timesText,
  plainList,
  WEATHERS,
  listOf,
} from '@/text';
import { type OutingFile } from '@/document';
import { useFile, useFrameResults } from '@/session';
import { Figure } from '@/parts';
import { Cautions } from './Cautions';

const text = carryText.stretchPlan;

/** One stretch: what hangs on which body at its start, what is made with what, what stays. */
export function StretchPlan({
  plan,
  isNext,
  cautions,
  isOpen,
  onTurn,
}: {
  plan: CarryStretch;
  isNext: boolean;
  /** What to take care of from here on. */
  cautions: readonly Caution[];
  /** Whether more than its heading is in sight; it can be turned where there is little room. */
  isOpen: boolean;
  onTurn: (() => void) | null;
}) {
  const file = useFile();
  const stretch = file.stretches.find((s) => s.id === plan.stretchId);
  const title = stretch?.name ?? text.theWholeOuting;
  const said = (
    <>
      {title}
      {isNext && <span className="ml-2 text-[13px] text-soft">{text.next}</span>}
    </>
  );
  return (
    <section
      id={plan.stretchId ?? 'whole'}
      aria-label={title}
      className={`border-t pt-2 ${isNext ? 'border-t-4 border-ink' : 'border-ink'}`}
    >
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-lg max-sm:w-full">
          {onTurn === null ? (
            said
          ) : (
            <button
              type="button"
              aria-expanded={isOpen}
              className="flex min-h-[44px] w-full items-center justify-between text-left"
              onClick={onTurn}
            >
              <span>{said}</span>
              <ChevronDown size={18} aria-hidden className={isOpen ? 'rotate-180' : ''} />
            </button>
          )}
        </h2>
        <p className="text-soft">
          {plainList(
            [
              stretch ? timesText(stretch) : '',
              stretch?.place ?? '',
              ...(stretch?.weather.map((w) => WEATHERS[w]) ?? []),
              plan.mayChange ? '' : text.noLensChanges,
              ...(stretch ? forbiddenTexts(stretch.allowed) : []),
            ].filter((t) => t !== ''),
          )}
        </p>
      </div>
      {isOpen && <Told {...{ plan, cautions, stretch }} />}
    </section>
  );
}

/** What is said of a stretch under its heading. */
function Told({
  plan,
  cautions,
  stretch,
}: {
  plan: CarryStretch;
  cautions: readonly Caution[];
  stretch: Stretch | undefined;
}) {
  const file = useFile();
  const name = namesOf(file);
  return (
    <>
      {stretch?.note && <p className="max-w-prose text-[13px]">{stretch.note}</p>}
      {plan.before.length > 0 && (
        <p className="mt-1 flex items-start gap-1.5">
          <ArrowRightLeft size={15} className="mt-0.5 shrink-0" aria-hidden />
          <span>
            {text.beforehand(plan.before.map((on) => text.putOn(stackOf(on, name))).join('; '))}
          </span>
        </p>
      )}
      {plan.handovers.length > 0 && (
        <p className="mt-1">
          {text.handedOver(
            plainList(plan.handovers.map((h) => text.to(name(h.id), h.to ? name(h.to) : 'you'))),
          )}
        </p>
      )}
      {plan.both.length > 0 && (
        <p className="mt-1">{text.eitherOfYouCanTake(plainList(plan.both.map(name)))}</p>
      )}
      <div className={`mt-2 grid gap-6 ${plan.hands.length > 1 ? 'md:grid-cols-2' : ''}`}>
        {plan.hands.map((assignment) => (
          <AssignmentPlan
            key={assignment.shooterId}
            assignment={assignment}
            stretchId={plan.stretchId}
            named={plan.hands.length > 1}
          />
        ))}
      </div>
      <Cautions cautions={cautions} here={plan.stretchId} />
      {plan.left.length > 0 && (
        <p className="mt-2 text-[13px] text-soft">
          {text.staysIn(file.packing.base || text.theCar, plainList(plan.left.map(name)))}
        </p>
      )}
    </>
  );
}

function stackOf(on: OnBody, name: (id: string) => string): string {
  return on.pieceIds.length === 0
    ? text.withoutALens(name(on.bodyId))
    : text.on(on.pieceIds.map(name).join(' + '), name(on.bodyId));
}

/** From which station a shooter has a frame, or from how far where she stands elsewhere. */
function fromWhere(
  file: OutingFile,
  frameId: string,
  { shooterId, stationId }: Pick<CarryAssignment, 'shooterId' | 'stationId'>,
  covers: readonly Cover[],
): string {
  const frame = file.frames.find((f) => f.id === frameId);
  const from = frame?.standpoints.find(
    (s) => s.stationId === (stationId ?? covers.find((c) => c.stationId !== null)?.stationId),
  );
  if (from)
    return text.fromStation(
      stationName(file, from.stationId),
      formatDistances(from.fromM, from.toM),
    );
  if (frame && frame.standpoints.length > 0) return '';
  const view = frame?.views.find((v) => v.shooterId === shooterId);
  return view ? text.from(formatDistances(view.fromM, view.toM)) : '';
}

function AssignmentPlan({
  assignment,
  named,
  stretchId,
}: {
  assignment: CarryAssignment;
  named: boolean;
  stretchId: CarryStretch['stretchId'];
}) {
  const file = useFile();
  const name = namesOf(file);
  const standings = useFrameResults();
  /** What covers a frame here with what is on the cameras for it. */
  const coversOf = (doing: { readonly frameId: string; readonly with: readonly OnBody[] }) =>
    standings
      ?.find((f) => f.frameId === doing.frameId)
      ?.covers.filter(
        (c) => c.stretchId === stretchId && doing.with.some((on) => on.bodyId === c.bodyId),
      ) ?? [];
  const { weights } = assignment;
  return (
    <div>
      {named && (
        <h3 className="text-base">
          {assignment.shooterId ? name(assignment.shooterId) : text.you}
        </h3>
      )}
      <dl className="grid grid-cols-[5.5rem_1fr] gap-x-3 gap-y-0.5">
        <dt className="text-soft">{text.atTheStart}</dt>
        <dd>
          {assignment.start.length === 0
            ? text.nothingInHand
            : assignment.start.map((on) => (
                <span key={on.bodyId} className="block font-semibold">
                  {stackOf(on, name)}
                </span>
              ))}
        </dd>
        <dt className="text-soft">{text.inTheBag}</dt>
        <dd>{assignment.bag.length === 0 ? text.nothing : plainList(assignment.bag.map(name))}</dd>
        <dt className="text-soft">{text.weight}</dt>
        <dd>
          <Figure
            label={text.weightCarriedBy(assignment.shooterId ? name(assignment.shooterId) : 'you')}
            steps={() => carriedWeightSteps(file, assignment)}
          >
            {text.inAllInHand(
              aboutWeight(weights.allG, weights.unknown.length > 0),
              formatWeight(weights.inHandG),
            )}
            {weights.shoulderG > 0 && text.onTheShoulder(formatWeight(weights.shoulderG))}
            {weights.bagG > 0 && text.inTheBag2(formatWeight(weights.bagG))}
          </Figure>
          {weights.unknown.length > 0 && text.weightOfUnknown(plainList(weights.unknown.map(name)))}
        </dd>
      </dl>
      {assignment.doings.length === 0 ? (
        <p className="mt-1 text-soft">{text.noPictureIsPlannedHere}</p>
      ) : (
        <ol className="mt-1.5" aria-label={text.inThisOrder}>
          {assignment.doings.map((doing, i) =>
            doing.kind === 'put' ? (
              <li
                key={i}
                className="flex items-start gap-1.5 border-b border-hair py-1 pl-1 font-semibold"
              >
                <ArrowRightLeft size={15} className="mt-0.5 shrink-0" aria-hidden />
                {text.change(stackOf(doing.on, name))}
              </li>
            ) : (
              <li key={i} className="flex items-start gap-1.5 border-b border-hair py-1 pl-1">
                <Camera size={15} className="mt-0.5 shrink-0 text-soft" aria-hidden />
                <span>
                  {name(doing.frameId)}
                  {fromWhere(file, doing.frameId, assignment, coversOf(doing))}{' '}
                  <span className="text-soft">
                    {text.withIt(listOf(doing.with.map((on) => stackOf(on, name))))}
                  </span>
                </span>
              </li>
            ),
          )}
        </ol>
      )}
      {assignment.doings.length > 0 && (
        <p className="sr-only">
          {text.duringIt(
            counted(
              assignment.doings.filter((d) => d.kind === 'put' && d.isChange).length,
              'lensChange',
            ),
          )}
        </p>
      )}
    </div>
  );
}
