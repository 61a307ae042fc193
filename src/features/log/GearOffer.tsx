'use client';

import { useState } from 'react';
import type { GearSeen } from '@/core/log';
import { recognised } from '@/core/log';
import { addGear, gearOfSeen } from '@/document';
import { useEditGear, useKnownGear, usePhotographs, useSession } from '@/session';
import { Button, notify } from '@/ui';
import { logText } from '@/text';
import { cameraName, lensSeenName } from './names';
import type { LogWork } from './useLogWork';

const t = logText.gear;

/** Gear that photographs name and the shelf doesn't have: offered, chosen, put there. */
export function GearOffer({ work, gear }: { work: LogWork; gear: GearSeen }) {
  const { log, marks } = usePhotographs(work.keeper);
  const shelf = useKnownGear();
  const editGear = useEditGear();
  const { document } = useSession();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const cameras = gear.cameras.map((camera) => ({ ...camera, key: `c${camera.camera}` }));
  const lenses = gear.lenses.map((lens) => ({ ...lens, key: `l${lens.lens}` }));
  if (cameras.length + lenses.length === 0) return null;
  const chosen = {
    cameras: cameras.filter((c) => c.sensor !== null && !left.has(c.key)),
    lenses: lenses.filter((l) => !left.has(l.key)),
  };
  const count = chosen.cameras.length + chosen.lenses.length;
  const flip = (key: string) =>
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  const add = () => {
    const { bodyIds } = recognised(log, shelf, marks);
    const made = gearOfSeen(log, chosen, bodyIds, shelf, {
      mount: t.mountOf,
      camera: t.camera,
      lens: t.lensName,
    });
    if (editGear(addGear(made)))
      notify(t.added(count), { action: { label: t.undo, onClick: document.undo } });
  };
  return (
    <section aria-labelledby="gear-seen" className="border-l-2 border-ink pl-3">
      <h2 id="gear-seen" className="text-lg">
        {t.notOnShelf}
      </h2>
      <p className="max-w-prose">{t.fromPhotographs}</p>
      <ul className="my-2">
        {cameras.map((c) => (
          <Offered
            key={c.key}
            name={cameraName(log, c.camera)}
            figures={c.sensor === null ? t.noSensor : t.sensor(c.sensor.widthMm, c.sensor.heightMm)}
            count={c.count}
            on={c.sensor !== null && !left.has(c.key)}
            disabled={c.sensor === null}
            onFlip={() => flip(c.key)}
          />
        ))}
        {lenses.map((l) => (
          <Offered
            key={l.key}
            name={lensSeenName(log, l.lens)}
            figures={
              l.asUsed ? t.asUsed : t.lensName(l.wideMm, l.longMm, l.fNumberWide, l.fNumberLong)
            }
            count={l.count}
            on={!left.has(l.key)}
            disabled={false}
            onFlip={() => flip(l.key)}
          />
        ))}
      </ul>
      <Button look="strong" disabled={count === 0} onClick={add}>
        {t.addChosen(count)}
      </Button>
    </section>
  );
}

interface OfferedProps {
  readonly name: string;
  readonly figures: string;
  readonly count: number;
  readonly on: boolean;
  readonly disabled: boolean;
  readonly onFlip: () => void;
}

function Offered({ name, figures, count, on, disabled, onFlip }: OfferedProps) {
  return (
    <li>
      <label className="flex min-h-7 pointer-coarse:min-h-[44px] flex-wrap items-center gap-x-2">
        <input type="checkbox" checked={on} disabled={disabled} onChange={onFlip} />
        <strong className="font-semibold">{name}</strong>
        <span className="text-soft">{figures}</span>
        <span className="text-soft">{t.photographs(count)}</span>
      </label>
    </li>
  );
}
