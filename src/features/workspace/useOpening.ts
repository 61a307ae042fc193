'use client';

import { type Compared, newPlan, type OutingFile, type Plan, type Taking } from '@/document';
import type { OutingKey } from '@/document/live';
import { fetchDemo, useDeskNow, useSession } from '@/session';
import { notify } from '@/ui';

type Opened = (() => Promise<void>) | 'unsaved' | 'unreadable';

/** Opens another outing and says so; the one that was open is kept, and a step leads back to it. */
export function useOpening() {
  const { library, state } = useSession();
  const deskNow = useDeskNow();
  const say = (said: string, opened: Opened) => {
    if (opened === 'unsaved')
      return notify('Not opened: the open outing can’t be saved.', {
        description: 'Export it first; then nothing is lost.',
      });
    if (opened === 'unreadable')
      return notify('Not opened: what is stored can’t be read.', {
        description: 'It is kept as it is, under Backup and storage.',
      });
    state.setState({ firstVisit: false });
    notify(said, {
      description: 'The outing before is kept under Outings.',
      action: { label: 'Go back', onClick: () => void opened() },
    });
  };
  const openPlan = (plan: Plan, said: string) =>
    void library()
      .then((l) => l.openPlan(plan))
      .then((opened) => say(said, opened));
  const openFile = (file: OutingFile, said: string, takingOf?: (compared: Compared) => Taking) =>
    void library()
      .then((l) => l.open(file, takingOf))
      .then((opened) => say(said, opened));
  return {
    /** Opens a file as an outing of its own; its gear goes where it is told. */
    openFile,
    openPlan,
    /** Opens a new outing with the shelf and the settings of the person. */
    start: (file: OutingFile, said: string, lendsGear = true) =>
      openPlan(newPlan(file, deskNow(), lendsGear), said),
    reopen: (key: OutingKey, name: string) =>
      library()
        .then((l) => l.reopen(key))
        .then((opened) => say(`Opened ${name}.`, opened)),
    openDemo: () =>
      void fetchDemo().then(
        (file) => openFile(file, 'Opened the demo outing.'),
        (error: unknown) =>
          notify(error instanceof Error ? error.message : 'The demo could not be opened.'),
      ),
  };
}
