'use client';

import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { DEFAULT_LIMITS, outingId } from '@/core/brief';
import {
  decode,
  encode,
  FILE_FORMAT,
  FILE_VERSION,
  type OutingFile,
  type Refusal,
} from '@/document';
import { download, fetchDemo, useFile, useSession } from '@/session';
import { Button, Dialog, Menu } from '@/ui';
import { StarterDialog } from './StarterDialog';

const EMPTY: OutingFile = {
  format: FILE_FORMAT,
  version: FILE_VERSION,
  outing: {
    id: outingId.parse('outing'),
    name: 'New outing',
    place: '',
    firstDay: null,
    lastDay: null,
    currency: 'EUR',
    shooters: [],
    note: '',
  },
  frames: [],
  stretches: [],
  shelf: { mounts: [], bodies: [], lenses: [], converters: [], tubes: [], adapters: [] },
  limits: DEFAULT_LIMITS,
};

/** Opens, starts, exports. Whatever is replaced can be had back by undo. */
export function FileMenu() {
  const file = useFile();
  const { document, state } = useSession();
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<{ name: string; refusal: Refusal } | null>(null);

  const [starting, setStarting] = useState(false);

  const open = (next: OutingFile, said: string) => {
    document.open(next, true);
    state.setState({ firstVisit: false });
    toast(said, {
      description: 'Undo brings the other outing back.',
      action: { label: 'Undo', onClick: document.undo },
    });
  };
  const read = async (chosen: File) => {
    const result = decode(await chosen.text());
    if (result.ok) open(result.value, `Opened ${result.value.outing.name}.`);
    else setRefused({ name: chosen.name, refusal: result.error });
  };
  const demo = () =>
    fetchDemo().then(
      (next) => open(next, 'Opened the demo outing.'),
      (error: unknown) =>
        toast(error instanceof Error ? error.message : 'The demo could not be opened.'),
    );

  return (
    <>
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Outing file to open"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen) void read(chosen);
        }}
      />
      <Menu
        trigger={<Button>Outing</Button>}
        groups={[
          [
            { label: 'Open a file…', onSelect: () => input.current?.click() },
            {
              label: 'Export this outing',
              hint: '.armreach.json',
              onSelect: () =>
                download(`${file.outing.id}.armreach.json`, encode(file), 'application/json'),
            },
          ],
          [
            { label: 'New from a starter brief…', onSelect: () => setStarting(true) },
            {
              label: 'New, with this shelf',
              onSelect: () =>
                open({ ...EMPTY, shelf: file.shelf }, 'Started a new outing with the same shelf.'),
            },
            { label: 'New and empty', onSelect: () => open(EMPTY, 'Started an empty outing.') },
            { label: 'The demo outing', onSelect: () => void demo() },
          ],
        ]}
      />
      <StarterDialog
        open={starting}
        onOpenChange={setStarting}
        onChoose={(next) => {
          setStarting(false);
          open(next, `Started: ${next.outing.name}.`);
        }}
      />
      <Dialog
        open={refused !== null}
        onOpenChange={(isOpen) => !isOpen && setRefused(null)}
        title="The file was not opened"
        description={
          refused ? `${refused.name}: ${refused.refusal.message} Your outing is as it was.` : ''
        }
      >
        <ul className="space-y-1">
          {refused?.refusal.issues
            .filter((issue) => issue.path !== '')
            .map((issue) => (
              <li key={issue.path + issue.message}>
                <code className="text-wrong">{issue.path}</code> {issue.message}
              </li>
            ))}
        </ul>
        <div className="mt-4 flex justify-end">
          <Button look="strong" onClick={() => setRefused(null)}>
            Close
          </Button>
        </div>
      </Dialog>
    </>
  );
}
