import { Button } from '@/ui';
import { logText } from '@/text';
import type { LogWork } from './useLogWork';

const t = logText.page;

/** Said where the outing has no photographs, with the way to all of them. */
export function NoneHere({ work }: { work: LogWork }) {
  return (
    <div className="space-y-2">
      <p>{t.noneHere}</p>
      <Button onClick={() => work.setOf('all')}>{t.lookAtAll}</Button>
    </div>
  );
}
