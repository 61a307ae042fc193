'use client';

import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { IconButton } from './Button';
import { useFocusBefore, useInertBehind } from './focusBefore';
import { partsText } from '@/text';

const t = partsText.dialog;

interface DialogProps {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly description: string;
  readonly wide?: boolean;
  readonly children: ReactNode;
}

export function Dialog({
  open,
  onOpenChange,
  title,
  description,
  wide = false,
  children,
}: DialogProps) {
  const giveBack = useFocusBefore(open);
  useInertBehind(open);
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Radix.Content
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveBack();
          }}
          className={`fixed top-[6vh] left-1/2 z-50 flex max-h-[88vh] w-[94vw] -translate-x-1/2 flex-col border border-edge bg-sheet ${wide ? 'max-w-4xl' : 'max-w-lg'}`}
        >
          <header className="flex items-start justify-between gap-4 border-b border-hair px-5 py-3">
            <div>
              <Radix.Title className="text-xl leading-tight">{title}</Radix.Title>
              <Radix.Description className="text-soft">{description}</Radix.Description>
            </div>
            <Radix.Close asChild>
              <IconButton label={t.close}>
                <X size={16} aria-hidden />
              </IconButton>
            </Radix.Close>
          </header>
          <div className="min-h-0 overflow-auto px-5 py-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
