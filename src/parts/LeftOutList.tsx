import type { LeftOut } from '@/document';
import { counted, leftOutText, panelText } from '@/text';

const t = panelText.leftOutList;

/** Named at most; the others are counted. */
const MOST_NAMED = 20;

/** What of a paste or an import is not taken, and why. */
export function LeftOutList({ left }: { left: readonly LeftOut[] }) {
  if (left.length === 0) return null;
  return (
    <div className="mt-2 text-[13px]">
      <p className="text-wrong">{t.leftOut(counted(left.length, 'entryIs'))}</p>
      <ul className="max-h-40 overflow-auto" tabIndex={0} aria-label={t.whatIsLeftOut}>
        {left.slice(0, MOST_NAMED).map(({ name, problem }, i) => (
          <li key={i}>
            <bdi>{name}</bdi>: {leftOutText(problem)}
          </li>
        ))}
        {left.length > MOST_NAMED && <li>{t.andMore(left.length - MOST_NAMED)}</li>}
      </ul>
    </div>
  );
}
