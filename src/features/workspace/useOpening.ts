'use client';

import { type Compared, newPlan, type OutingFile, type Plan, type Taking } from '@/document';
import type { OutingKey } from '@/document/live';
import { fetchDemo, type NotOpened, useDeskNow, useSession } from '@/session';
import { notify } from '@/ui';
import { workspaceText } from '@/text';

const t = workspaceText.useOpening;

type Opened = (() => Promise<void>) | NotOpened;

/** Opens another outing and says so; the one that was open is kept, and a step leads back to it. */
export function useOpening() {
  const { library, state } = useSession();
  const deskNow = useDeskNow();
  const say = (said: string, opened: Opened) => {
    if (opened === 'unsaved')
      return notify(t.notOpenedTheOpenOuting, {
        description: t.exportItFirstThenNothing,
      });
    if (opened === 'unreadable')
      return notify(t.notOpenedWhatIsStored, {
        description: t.itIsKeptAsIt,
      });
    if (opened === 'newer') return notify(t.notOpenedItIsNewer, { description: t.itIsKeptReload });
    state.setState({ firstVisit: false });
    notify(said, {
      description: t.theOutingBeforeIsKept,
      action: { label: t.goBack, onClick: () => void opened() },
    });
  };
  const openPlan = (plan: Plan, said: string) =>
    library()
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
        .then((opened) => say(t.opened(name), opened)),
    openDemo: () =>
      void fetchDemo().then(
        (file) => openFile(file, t.openedTheDemoOuting),
        (error: unknown) => notify(error instanceof Error ? error.message : t.couldntOpenTheDemo),
      ),
  };
}
