'use client';

import { useCallback, useState } from 'react';
import { groundFrom, type GroundTemplate, putOnGround, setGround } from '@/document';
import { ShownFile, useEdit, useFile, useHistory } from '@/session';
import { groundText } from '@/text';
import { notify } from '@/ui';
import { Plan } from './Plan';
import { PrintedSheets } from './PrintedSheets';
import { Templates } from './Templates';
import { keyOf, type Thing } from './things';
import { useDragged } from './useDragged';

const t = groundText.page;

export function GroundPage() {
  const open = useFile();
  const { ground } = open;
  const isBlank = [ground.stations, ground.subjects, ground.obstacles, ground.closed].every(
    (list) => list.length === 0,
  );
  const [isBegun, setBegun] = useState(false);
  const edit = useEdit();
  const { undo } = useHistory();
  const put = useCallback(
    (moved: Thing) => {
      edit(putOnGround(moved.kind, moved.of), `ground.${keyOf(moved)}`);
    },
    [edit],
  );
  const { file, drag, drop } = useDragged(open);
  const start = (template: GroundTemplate | null) => {
    setBegun(true);
    if (template === null) return;
    edit(setGround(groundFrom(template, (key) => groundText.names[key] ?? key)));
    if (!isBlank)
      notify(t.replaced(groundText.templates[template]), {
        action: { label: t.undo, onClick: undo },
      });
  };
  if (isBlank && !isBegun) return <Templates onStart={start} />;
  return (
    <ShownFile file={file}>
      <Plan onStart={start} onPut={put} onDrag={drag} onDrop={drop} />
      <PrintedSheets />
    </ShownFile>
  );
}
