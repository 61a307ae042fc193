'use client';

import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';

export interface MenuItem {
  readonly label: string;
  readonly hint?: string;
  readonly onSelect: () => void;
  readonly disabled?: boolean;
}

export function Menu({
  trigger,
  groups,
  defaultOpen = false,
}: {
  trigger: ReactNode;
  groups: readonly (readonly MenuItem[])[];
  defaultOpen?: boolean;
}) {
  return (
    <DropdownMenu.Root defaultOpen={defaultOpen} modal={false}>
      <DropdownMenu.Trigger asChild>{trigger}</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-30 min-w-60 border border-edge bg-sheet py-1"
        >
          {groups.map((items, g) => (
            <DropdownMenu.Group
              key={items[0]?.label}
              className={g > 0 ? 'mt-1 border-t border-hair pt-1' : ''}
            >
              {items.map((item) => (
                <DropdownMenu.Item
                  key={item.label}
                  disabled={item.disabled ?? false}
                  onSelect={item.onSelect}
                  className="flex cursor-pointer justify-between gap-6 px-3 py-1.5 outline-none data-[disabled]:opacity-50 data-[highlighted]:bg-chosen"
                >
                  {item.label}
                  {item.hint && <span className="text-soft">{item.hint}</span>}
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
