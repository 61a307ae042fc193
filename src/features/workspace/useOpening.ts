'use client';

import type { OutingFile } from '@/document';
import { fetchDemo, useSession } from '@/session';
import { notify } from '@/ui';

/** Opens another outing and says so; the one that was open is kept, and a step leads back to it. */
export function useOpening() {
  const { library, state } = useSession();
  const say = (said: string, back: () => Promise<void>) => {
    state.setState({ firstVisit: false });
    notify(said, {
      description: 'The outing before is kept under Outings.',
      action: { label: 'Go back', onClick: () => void back() },
    });
  };
  const open = (file: OutingFile, said: string) =>
    void library.open(file).then((back) => say(said, back));
  return {
    open,
    reopen: async (id: string, name: string) => {
      const back = await library.reopen(id);
      if (back) say(`Opened ${name}.`, back);
      else notify(`${name} could not be read; it is kept as it is. Export it to look into it.`);
    },
    openDemo: () =>
      void fetchDemo().then(
        (file) => open(file, 'Opened the demo outing.'),
        (error: unknown) =>
          notify(error instanceof Error ? error.message : 'The demo could not be opened.'),
      ),
  };
}
