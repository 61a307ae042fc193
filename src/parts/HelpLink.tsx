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
      className="ml-2 inline-block align-middle text-soft hover:text-ink print:hidden"
    >
      <CircleHelp size={16} aria-hidden />
    </Link>
  );
}
