'use client';

import { CircleHelp } from 'lucide-react';
import Link from 'next/link';
import { HELP_TITLES, helpTitleText, type HelpTopic } from '@/text';

/** Leads from a page's title to the help on it. */
export function HelpLink({ topic }: { topic: HelpTopic }) {
  return (
    <Link
      prefetch={false}
      href={`/help?topic=${topic}`}
      aria-label={helpTitleText.about(HELP_TITLES[topic])}
      className="ml-2 inline-flex items-center justify-center align-middle text-soft hover:text-ink pointer-coarse:ml-0 pointer-coarse:min-h-[44px] pointer-coarse:min-w-[44px] print:hidden"
    >
      <CircleHelp size={16} aria-hidden />
    </Link>
  );
}
