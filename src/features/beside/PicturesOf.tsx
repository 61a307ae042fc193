import type { FrameId } from '@/core/brief';
import type { SideBySide } from '@/core/compare';
import { useFile } from '@/session';
import { besideText, plainList } from '@/text';
import { columnName } from './columnName';

const t = besideText;

/** The pictures of the open outing, by which of the lenses covers them alone. */
export function PicturesOf({ sides }: { readonly sides: SideBySide }) {
  const { frames, outing } = useFile();
  const nameOf = new Map(frames.map((f) => [f.id, f.name]));
  const line = (label: string, ids: readonly FrameId[]) => (
    <div key={label} className="grid gap-x-4 border-b border-hair py-1 sm:grid-cols-[14rem_1fr]">
      <dt className="text-soft">{label}</dt>
      <dd>{ids.length === 0 ? t.nothing : plainList(ids.map((id) => nameOf.get(id) ?? id))}</dd>
    </div>
  );
  return (
    <section aria-label={t.pictures}>
      <h2 className="mb-1 text-lg">{t.pictures}</h2>
      <p className="text-soft">{t.picturesOf(outing.name)}</p>
      <dl>
        {sides.columns.map((c) => line(t.only(columnName(c)), sides.onlyBy.get(c.key) ?? []))}
        {line(t.all, sides.byAll)}
        {line(t.nobody, sides.byNone)}
      </dl>
    </section>
  );
}
