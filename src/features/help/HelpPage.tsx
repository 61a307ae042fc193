'use client';

import { useSelection } from '@/session';
import { HELP_TITLES, HELP_TOPICS, helpText, helpTitleText, type HelpTopic } from '@/text';
import { Illustration } from './Illustration';

/** One topic at a time, with the others beside it. */
export function HelpPage() {
  const [chosen, choose] = useSelection('topic');
  const topic: HelpTopic = HELP_TOPICS.find((one) => one === chosen) ?? 'want';
  return (
    <div className="grid gap-x-10 gap-y-4 pt-4 md:grid-cols-[15rem_minmax(0,1fr)]">
      <nav aria-label={helpText.others}>
        <p className="mb-1 text-[12px] text-soft">{helpTitleText.help}</p>
        <ol className="space-y-0.5">
          {HELP_TOPICS.map((one) => (
            <li key={one}>
              <button
                type="button"
                aria-current={one === topic ? 'page' : undefined}
                className="w-full border-l-2 border-transparent px-2 py-1 text-left pointer-coarse:min-h-[44px] hover:bg-chosen aria-[current=page]:border-ink aria-[current=page]:font-semibold"
                onClick={() => choose(one)}
              >
                {HELP_TITLES[one]}
              </button>
            </li>
          ))}
        </ol>
      </nav>
      <article className="min-w-0 space-y-4" data-testid="help">
        <h1 className="text-xl">{HELP_TITLES[topic]}</h1>
        <Illustration topic={topic} />
        {helpText.topics[topic].map((paragraph) => (
          <p key={paragraph} className="max-w-prose">
            {paragraph}
          </p>
        ))}
      </article>
    </div>
  );
}
