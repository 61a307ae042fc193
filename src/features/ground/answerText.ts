import type { Ground } from '@/core/ground';
import { groundText, stackName } from '@/text';
import { coversFrom, type PictureOnPlan } from './usePicture';

/** From where the chosen picture is made, with what. */
export function answerText(
  { frame, standing }: PictureOnPlan,
  { stations }: Ground,
  name: (id: string) => string,
): string {
  const a = groundText.answer;
  if (standing?.noStation === 'hidden') return a.hidden(frame.name);
  const places = stations.flatMap((station) => {
    const [cover] = coversFrom(standing, station.id);
    return cover ? [a.place(station.name, stackName(cover, name))] : [];
  });
  return places.length === 0 ? a.lost(frame.name) : a.from(frame.name, places.join(a.or));
}
