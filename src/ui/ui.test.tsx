import '@testing-library/jest-dom';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import * as z from 'zod';
import { EntityForm, FormNumber, FormText } from './form';
import { needText, shortfallText } from '@/text';

const plain = (text: string) => text.replaceAll('\u202F', ' ');

test('sentences say what lacks and by how much', () => {
  expect(
    plain(
      shortfallText({
        code: 'too-slow',
        stops: 1.3,
        isoNeeded: 16000,
        fNumber: 4,
        neededFNumber: 2.5,
      }),
    ),
  ).toBe('too slow by 1.3 stops: f/4 for f/2.5; ISO 16000 would be enough');
  expect(
    plain(
      needText({
        kind: 'subject',
        widthM: 12,
        heightM: null,
        fromM: 15,
        toM: 40,
        fill: { min: 0.5, max: 0.9 },
        orientation: 'landscape',
        footing: 'flowing',
      }),
    ),
  ).toBe('12 m wide at 15–40 m, coming towards you, filling 50–90 %');
});

describe('a form over a stored thing', () => {
  const schema = z.object({ name: z.string().trim().min(1), share: z.number().max(1) });
  function Host({ onSend }: { onSend: (value: z.infer<typeof schema>) => void }) {
    const [value, setValue] = useState({ name: 'Start', share: 0.5 });
    return (
      <>
        <EntityForm
          label="Thing"
          schema={schema}
          value={value}
          onValid={(next) => {
            setValue(next);
            onSend(next);
          }}
        >
          <FormText name="name" label="Name" />
          <FormNumber name="share" label="Share" scale={100} />
        </EntityForm>
        <button onClick={() => setValue({ name: 'Undone', share: 0.1 })}>undo</button>
      </>
    );
  }

  it('sends valid changes at once, keeps bad ones with a message, and takes changes from outside', async () => {
    const user = userEvent.setup();
    const sent: unknown[] = [];
    render(<Host onSend={(value) => sent.push(value)} />);
    const [name, share] = [screen.getByLabelText('Name'), screen.getByLabelText('Share')];
    await user.clear(share);
    await user.type(share, '75');
    expect(sent.at(-1)).toEqual({ name: 'Start', share: 0.75 });
    const before = sent.length;
    await user.clear(share);
    await user.type(share, '7x');
    expect(share).toHaveValue('7x');
    expect(share).toHaveAttribute('aria-invalid', 'true');
    expect(sent.slice(before).every((v) => (v as { share: number }).share === 0.07)).toBe(true);
    await user.type(name, ' two words');
    expect(name).toHaveValue('Start two words');
    await user.click(screen.getByText('undo'));
    expect(
      [screen.getByLabelText('Name'), screen.getByLabelText('Share')].map(
        (i) => (i as HTMLInputElement).value,
      ),
    ).toEqual(['Undone', '10']);
  });
});
