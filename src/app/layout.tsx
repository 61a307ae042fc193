import '@fontsource-variable/brygada-1918/wght.css';
import '@fontsource-variable/commissioner/wght.css';
import './globals.css';
import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { THEME_SCRIPT } from '@/ui';
import { appText, UNITS_SCRIPT } from '@/text';

const t = appText.layout;

export const metadata: Metadata = {
  title: { default: t.armReach, template: t.sArmReach },
  description: t.theFewestLensesThatGet,
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  await connection();
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  return (
    <html lang="en" suppressHydrationWarning>
      <head>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: THEME_SCRIPT + UNITS_SCRIPT }}
        />
      </head>
      <body>{children}</body>
    </html>
  );
}
