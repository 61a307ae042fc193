'use client';

import { Copy, Trash2 } from 'lucide-react';
import type { Adapter, Body, Converter, Lens, Tube } from '@/core/gear';
import {
  copyItem,
  type ItemOf,
  type Kind,
  type Lock,
  lockOf,
  putItem,
  removeItems,
  setLock,
} from '@/document';
import { useEdit, useFile } from '@/session';
import { Choice, IconButton } from '@/ui';
import { AdapterForm, ConverterForm, TubeForm } from './BehindForms';
import { BodyForm } from './BodyForm';
import { Fits } from './Fits';
import { LensForm } from './LensForm';

interface GearEditorProps<K extends Kind> {
  readonly kind: K;
  readonly item: ItemOf[K];
  readonly onSelect: (id: string | null) => void;
}

/** One piece of gear in full; what is not known stays empty. */
export function GearEditor<K extends Kind>({ kind, item, onSelect }: GearEditorProps<K>) {
  const file = useFile();
  const edit = useEdit();
  const lock = lockOf(file.limits, item.id);
  const locks: [Lock, string][] =
    kind === 'bodies'
      ? [
          ['free', 'comes along'],
          ['out', 'stays home'],
        ]
      : [
          ['in', 'take it'],
          ['free', 'let it choose'],
          ['out', 'leave it'],
        ];
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg leading-tight">{item.name}</h2>
        <span className="whitespace-nowrap">
          <IconButton
            label={`Duplicate ${item.name}`}
            onClick={() => {
              const copy = copyItem(item, file);
              edit(putItem(kind, copy as ItemOf[K]));
              onSelect(copy.id);
            }}
          >
            <Copy size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={`Remove ${item.name}`}
            onClick={() => {
              edit(removeItems(new Set([item.id])));
              onSelect(null);
            }}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      </div>
      <Choice
        label="For this outing"
        value={lock}
        options={locks}
        onChange={(next) => edit(setLock(item.id, next))}
      />
      {(kind === 'lenses' || kind === 'bodies') && <Fits kind={kind} id={item.id} />}
      {kind === 'lenses' && <LensForm item={item as Lens} />}
      {kind === 'bodies' && <BodyForm item={item as Body} />}
      {kind === 'converters' && <ConverterForm item={item as Converter} />}
      {kind === 'tubes' && <TubeForm item={item as Tube} />}
      {kind === 'adapters' && <AdapterForm item={item as Adapter} />}
    </div>
  );
}
