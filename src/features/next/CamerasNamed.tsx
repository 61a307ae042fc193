import type { Presence } from '@/core/brief';
import { nextText } from '@/text';
import type { NextWork } from './useNextWork';

/** A wished camera that an outing can't use, since its stretches say which cameras are there. */
export function CamerasNamed({ work: { question, shelf, names } }: { work: NextWork }) {
  if (question === null || shelf.bodies.every((b) => b.ownership !== 'wished')) return null;
  const named = question.outings.flatMap(({ question: { stretches } }, i) =>
    stretches.length > 0 && stretches.every((s) => s.hands.length > 0 && s.hands.every(namesBodies))
      ? [names[i] ?? '']
      : [],
  );
  return (
    named.length > 0 && <p className="text-[13px] text-soft">{nextText.page.camerasNamed(named)}</p>
  );
}

const namesBodies = ({ bodyIds }: Presence) => bodyIds.length > 0;
