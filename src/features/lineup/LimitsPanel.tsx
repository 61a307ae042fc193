'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { limits as limitsSchema } from '@/core/brief';
import type { Ownership } from '@/core/gear';
import { setLimits, setLock, namesOf } from '@/document';
import { useEdit, useFile } from '@/session';
import { Button, EntityForm, FormNumber, OWNERSHIPS } from '@/ui';

/** What the choice must keep to. */
export function LimitsPanel() {
  const { limits } = useFile();
  const edit = useEdit();
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <h2 className="text-lg">Limits</h2>
      <EntityForm
        label="Limits"
        schema={limitsSchema}
        value={limits}
        onValid={(next, field) => edit(setLimits(next), `limits.${field}`)}
      >
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="maxLenses" label="Lenses at most" placeholder="no limit" />
          <FormNumber
            name="maxLineupWeightG"
            label="Weight at most"
            unit="g"
            placeholder="no limit"
          />
          <FormNumber name="isoCeiling" label="ISO at most" />
          <FormNumber name="maxCrop" label="Crop at most" unit="×" />
          <FormNumber
            name="wantRatePercent"
            label="A piece must earn"
            unit="%"
            hint="of the wanted pictures; 0 takes all that helps"
          />
          <FormNumber
            name="converterPieces"
            label="A converter counts"
            unit="lens"
            hint="as much as this part of a lens"
          />
          <SourcesField />
        </div>
      </EntityForm>
      <Locks />
    </div>
  );
}

function SourcesField() {
  const { setValue } = useFormContext();
  const sources = useWatch({ name: 'sources' }) as readonly Ownership[];
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">Gear that may be used</legend>
      {(Object.entries(OWNERSHIPS) as [Ownership, string][]).map(([key, text]) => (
        <label key={key} className="mr-4 inline-flex items-center gap-1.5 py-0.5">
          <input
            type="checkbox"
            checked={sources.includes(key)}
            disabled={sources.length === 1 && sources.includes(key)}
            onChange={(e) =>
              setValue(
                'sources',
                e.target.checked ? [...sources, key] : sources.filter((s) => s !== key),
                { shouldValidate: true },
              )
            }
          />
          {text}
        </label>
      ))}
    </fieldset>
  );
}

function Locks() {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const { lockedIn, lockedOut } = file.limits;
  const list = (title: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <div>
        <h3 className="text-[12px] text-soft">{title}</h3>
        <ul>
          {ids.map((id) => (
            <li key={id} className="flex items-center justify-between border-b border-hair">
              {name(id)}
              <Button
                look="quiet"
                aria-label={`Let the lineup choose ${name(id)}`}
                onClick={() => edit(setLock(id, 'free'))}
              >
                Free
              </Button>
            </li>
          ))}
        </ul>
      </div>
    );
  return (
    <>
      {list('Always taken', lockedIn)}
      {list('Left at home', lockedOut)}
    </>
  );
}
