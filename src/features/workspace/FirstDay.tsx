'use client';

import { useEffect, useState } from 'react';
import { outingBeginMs, outingSpan } from '@/core/log';
import { MINUTE_MS } from '@/core/units';
import { setPacking } from '@/document';
import { recordAt } from '@/document/live';
import { carriedNow } from '@/parts';
import { useAnswer, useCarryPlan, useFile, useOutingKey, useSession } from '@/session';
import { workspaceText } from '@/text';
import { notify } from '@/ui';

const t = workspaceText.firstDay;

/**
 * Keeps the lineup as what was carried once the outing has begun: the one that stood when it was last
 * changed before. Where it was changed since, or is over, only the person can say what was carried.
 */
export function FirstDay() {
  const { outing, stretches, packing } = useFile();
  const { host } = useSession();
  const key = useOutingKey();
  const begins = outingBeginMs(outing, stretches);
  const ends = outingSpan(outing, stretches)?.[1] ?? null;
  /** The outing that was kept here: let go, it isn't kept again. */
  const [done, setDone] = useState<string | null>(null);
  const isOpen = packing.carried === null && begins !== null && ends !== null && done !== key;
  const [due, setDue] = useState<string | null>(null);
  useEffect(() => {
    if (!isOpen) return;
    let wanted = true;
    const look = async () => {
      const now = wallMs(new Date());
      if (now < begins || now >= ends) return;
      const stored = await recordAt(host.stores, key).catch(() => null);
      if (wanted && stored && wallMs(new Date(stored.savedAt)) < begins) setDue(key);
    };
    void look();
    const timer = setInterval(() => void look(), MINUTE_MS);
    return () => {
      wanted = false;
      clearInterval(timer);
    };
  }, [host, key, isOpen, begins, ends]);
  return isOpen && due === key ? <Keep key={key} onKept={() => setDone(key)} /> : null;
}

/** A moment of this machine as what its clock shows, ms as if it were UTC. */
const wallMs = (date: Date) => date.getTime() - date.getTimezoneOffset() * MINUTE_MS;

/** Keeps the plan as soon as it is there, unless the outing is changed first. */
function Keep({ onKept }: { onKept: () => void }) {
  const { document } = useSession();
  const file = useFile();
  const { result, thinking } = useAnswer();
  const plan = useCarryPlan();
  const [first] = useState(file);
  const isThere = result !== null && !thinking && plan.answer !== null && !plan.thinking;
  const isSame = file === first;
  useEffect(() => {
    if (!isThere || !isSame) return;
    const carried = carriedNow(result, plan.answer?.plan?.changes ?? null, new Date());
    onKept();
    if (document.edit(setPacking({ carried })))
      notify(t.kept, { action: { label: t.undo, onClick: document.undo } });
  }, [isThere, isSame, result, plan, document, onKept]);
  return null;
}
