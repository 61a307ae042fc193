'use client';

import { Copy, Trash2 } from 'lucide-react';
import type { Adapter, Body, BodyId, Converter, Lens, Tube } from '@/core/gear';
import {
  type BodyRole,
  bodyRoleOf,
  copyItem,
  doubled,
  type ItemOf,
  type Kind,
  type Lock,
  lockOf,
  putItem,
  removeItems,
  setBodyRole,
  setLock,
} from '@/document';
import { useEdit, useEditGear, useFile, useKnownGear } from '@/session';
import { Choice, IconButton, SelectField } from '@/ui';
import { AdapterForm, ConverterForm, TubeForm } from './BehindForms';
import { BodyForm } from './BodyForm';
import { Fits } from './Fits';
import { LensForm } from './LensForm';
import { Standing } from './Standing';
import { copyName, shelfText } from '@/text';

const t = shelfText.gearEditor;

const LOCKS: readonly (readonly [Lock, string])[] = [
  ['in', t.lockIn],
  ['free', t.letItChoose],
  ['out', t.leaveOut],
];

const BODY_ROLES: readonly (readonly [BodyRole, string])[] = [
  ['free', t.comesWhenItHelps],
  ['in', t.alwaysComes],
  ['out', t.staysAtHome],
  ['spare-bag', t.spareInTheBag],
  ['spare-base', t.spareLeftWithTheRest],
];

interface GearEditorProps<K extends Kind> {
  readonly kind: K;
  readonly item: ItemOf[K];
  readonly onSelect: (id: string | null) => void;
}

/** One item of gear in full; what is not known stays empty. */
export function GearEditor<K extends Kind>({ kind, item, onSelect }: GearEditorProps<K>) {
  const file = useFile();
  const shelf = useKnownGear();
  const edit = useEdit();
  const editGear = useEditGear();
  const comes = file.shelf[kind].some((i) => i.id === item.id);
  const lock = lockOf(file.limits, item.id);
  const alike = doubled(shelf, kind).get(item.id);
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg leading-tight">{item.name}</h2>
        <span className="whitespace-nowrap">
          <IconButton
            label={t.duplicate(item.name)}
            onClick={() => {
              const copy = copyItem(item, shelf, copyName(item.name));
              editGear(putItem(kind, copy as ItemOf[K]));
              onSelect(copy.id);
            }}
          >
            <Copy size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={t.deleteIt(item.name)}
            onClick={() => {
              editGear(removeItems(new Set([item.id])));
              onSelect(null);
            }}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      </div>
      {alike && (
        <p className="text-[13px]">
          {t.looksLikeTheSameBy(alike.maker === '' ? alike.name : t.by(alike.name, alike.maker))}
        </p>
      )}
      <Standing id={item.id} name={item.name} ownership={item.ownership} />
      {!comes ? null : kind === 'bodies' ? (
        <SelectField
          label={t.inTheLineup}
          value={bodyRoleOf(file.limits, item.id as BodyId)}
          options={BODY_ROLES}
          onChange={(next) => edit(setBodyRole(item.id as BodyId, next))}
        />
      ) : (
        <Choice
          label={t.inTheLineup}
          value={lock}
          options={LOCKS}
          onChange={(next) => edit(setLock(item.id, next))}
        />
      )}
      {(kind === 'lenses' || kind === 'bodies') && <Fits kind={kind} id={item.id} />}
      {kind === 'lenses' && <LensForm item={item as Lens} />}
      {kind === 'bodies' && <BodyForm item={item as Body} />}
      {kind === 'converters' && <ConverterForm item={item as Converter} />}
      {kind === 'tubes' && <TubeForm item={item as Tube} />}
      {kind === 'adapters' && <AdapterForm item={item as Adapter} />}
    </div>
  );
}
