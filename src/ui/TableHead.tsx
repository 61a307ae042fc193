/** A column's name, where it is more than text. */
interface Head {
  readonly text: string;
  /** Said, not shown. */
  readonly isSaidOnly?: boolean;
  /** A phone has no room for it. */
  readonly isSecond?: boolean;
  /** Over figures that end at the right. */
  readonly isRight?: boolean;
  /** Share of the table's width that it takes at least, as a class. */
  readonly width?: string;
}

/** The names of a table's columns. */
export function TableHead({
  heads,
  className = '',
}: {
  readonly heads: readonly (string | Head)[];
  readonly className?: string;
}) {
  return (
    <thead className={className}>
      <tr className="border-b border-ink text-left align-bottom text-[12px] text-soft">
        {heads.map((head, i) => {
          const of: Head = typeof head === 'string' ? { text: head } : head;
          return (
            <th
              key={`${i} ${of.text}`}
              scope="col"
              className={`py-1 pr-4 font-normal ${of.isSecond ? 'max-sm:hidden' : ''} ${of.isRight ? 'text-right' : ''} ${of.width ?? ''}`}
            >
              {of.isSaidOnly ? <span className="sr-only">{of.text}</span> : of.text}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}
