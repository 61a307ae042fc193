'use client';

import { useState } from 'react';
import type { Frame } from '@/core/brief';
import { stackKey, setupOfStack } from '@/core/gear';
import { stackName, namesOf, reachText } from '@/text';
import { type OutingFile } from '@/document';
import { useAnswer, useFile } from '@/session';
import { SelectField } from '@/ui';
import { Viewfinder } from '@/parts/viewfinder';
import type { Service } from './service';

const t = reachText.through;

const MOST_SETUPS = 24;

/** The chosen picture through one setup after another; for a lens, one of its pictures after another. */
export function Through({
  frame,
  services,
}: {
  frame: Frame | null;
  services: readonly Service[];
}) {
  const file = useFile();
  const [other, setOther] = useState<string | null>(null);
  const covered = services.filter((s) => s.shortfall === null);
  const ids = [...new Set([...covered, ...services].map((s) => s.frameId))];
  const frameId = frame?.id ?? (other !== null && ids.includes(other) ? other : ids[0]);
  const seen = file.frames.find((f) => f.id === frameId);
  const taken = new Set<string>(useAnswer().result?.lineup.lensIds);
  const setups = setupsOf(file, services, frameId, taken);
  if (!seen || setups.length === 0) return null;
  return (
    <div className="space-y-1">
      {frame === null && (
        <SelectField
          label={t.pictureLookedAt}
          value={seen.id as string}
          options={ids.map((id) => [id, namesOf(file)(id)])}
          onChange={setOther}
        />
      )}
      <Viewfinder key={seen.id} frame={seen} limits={file.limits} setups={setups} />
    </div>
  );
}

function setupsOf(
  file: OutingFile,
  services: readonly Service[],
  frameId: string | undefined,
  taken: ReadonlySet<string>,
) {
  const rank = (s: Service) => (s.shortfall !== null ? 2 : taken.has(s.lensId) ? 0 : 1);
  const name = namesOf(file);
  return services
    .filter((s) => s.frameId === frameId)
    .sort((a, b) => rank(a) - rank(b))
    .slice(0, MOST_SETUPS)
    .flatMap((s) => {
      const setup = setupOfStack(file.shelf, s);
      const label = t.on(stackName(s, name), name(s.bodyId));
      return setup ? [{ key: `${s.bodyId} ${stackKey(s)}`, label, setup }] : [];
    });
}
