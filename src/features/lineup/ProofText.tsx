'use client';

import { footingOf } from '@/core/brief';
import type { LineupResult } from '@/core/lineup';
import {
  aimText,
  amountText,
  lineupText,
  namesOf,
  positionText,
  plainList,
  proofText,
} from '@/text';
import { TableHead } from '@/ui';
import { useFile } from '@/session';

const t = lineupText.proofText;

/** Why fewer will not do, in words where it can be had. */
export function ProofText({ result }: { result: LineupResult }) {
  const file = useFile();
  const name = namesOf(file);
  const { proof, totals } = result;
  if (proof.kind === 'none') {
    return result.open === null ? null : (
      <section aria-labelledby="proof">
        <h2 id="proof" className="mb-1 text-lg">
          {t.notProvenYet}
        </h2>
        <p className="max-w-prose">
          {t.timeRanOutWhileImproving(
            aimText(result.open.aim),
            amountText(result.open.aim, result.open.value, file.outing.currency),
            amountText(result.open.aim, result.open.bound, file.outing.currency),
          )}
        </p>
      </section>
    );
  }
  const unit = (frameId: string) => result.frames.find((f) => f.frameId === frameId)?.unit ?? 'm';
  const isHeld = (frameId: string) => {
    const need = file.frames.find((f) => f.id === frameId)?.need;
    return need !== undefined && footingOf(need) === 'held';
  };
  return (
    <section aria-labelledby="proof">
      <h2 id="proof" className="mb-1 text-lg">
        {t.whyFewerArentEnough}
      </h2>
      <p className="max-w-prose">{proofText(proof, totals)}</p>
      {proof.witnesses.length > 0 && (
        <div
          className="relative overflow-x-auto"
          tabIndex={0}
          role="region"
          aria-label={t.theProofPictureByPicture}
        >
          <table className="mt-2 border-collapse" data-testid="witnesses">
            <caption className="sr-only">{t.picturesOfWhichNoTwo}</caption>
            <TableHead heads={[t.picture, t.lensesThatCoverIt]} />
            <tbody>
              {proof.witnesses.map((w) => (
                <tr
                  key={`${w.frameId} ${w.places[0]?.range.from}`}
                  className="border-b border-hair align-top"
                >
                  <th scope="row" className="py-1 pr-6 text-left font-normal">
                    {name(w.frameId)}
                    {isHeld(w.frameId) && (
                      <span className="ml-1 text-soft">
                        {t.at(
                          plainList(
                            w.places.map((p) =>
                              positionText(unit(w.frameId), p.range.from, p.range.to),
                            ),
                          ),
                        )}
                      </span>
                    )}
                  </th>
                  <td className="py-1">
                    {w.lenses === 2
                      ? t.twoOf(lensList(w.lensIds, name))
                      : lensList(w.lensIds, name)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** Lenses named before the rest is only counted. */
const NAMED = 8;

function lensList(ids: readonly string[], name: (id: string) => string): string {
  const named = plainList(ids.slice(0, NAMED).map(name));
  return ids.length > NAMED ? t.andMore(named, ids.length - NAMED) : named;
}
