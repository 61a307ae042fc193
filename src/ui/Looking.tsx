import { lineupText } from '@/text';
import { Button } from './Button';

const t = lineupText.looking;

/** Long work under way, with how far it is and the way to end it. */
export function Looking({
  label,
  done,
  onStop,
}: {
  label: string;
  done: number;
  onStop: () => void;
}) {
  return (
    <p className="flex items-center gap-3">
      <progress aria-label={label} value={done} max={1} />
      <Button onClick={onStop}>{t.stop}</Button>
    </p>
  );
}
