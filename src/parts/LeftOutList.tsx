import type { LeftOut } from '@/document';
import { formatCount } from '@/text';

/** Named at most; the others are counted. */
const MOST_NAMED = 20;

/** What of a paste or an import is not taken, and why. */
export function LeftOutList({ left }: { left: readonly LeftOut[] }) {
  if (left.length === 0) return null;
  return (
    <div className="mt-2 text-[13px]">
      <p className="text-wrong">{formatCount(left.length, 'entry is', 'entries are')} left out:</p>
      <ul className="max-h-40 overflow-auto" tabIndex={0} aria-label="What is left out">
        {left.slice(0, MOST_NAMED).map(({ name, message }, i) => (
          <li key={i}>
            <bdi>{name}</bdi>: {message}
          </li>
        ))}
        {left.length > MOST_NAMED && <li>and {left.length - MOST_NAMED} more</li>}
      </ul>
    </div>
  );
}
