import { enterSeason } from '@/session';
import { seasonText } from '@/text';
import { notify } from '@/ui';

/** Shows the made-up year in place of the person's own, or says why it can't. */
export const openSeason = (): Promise<void> =>
  enterSeason().catch(() => {
    notify(seasonText.couldnt);
  });
