'use client';
import { Dialog } from 'radix-ui';
import { useMemo, useState } from 'react';
import { readNames, type NameRow } from '@/core/lettering/names';
import { counted } from '@/core/units/count';
import { layNames } from '@/session/edit/besideCommands';
import { useJob } from '@/session/job/jobStore';
import { Button } from '../../components/Button';
import { Choice } from '../../components/Choice';

const FITS = { height: 'All as high as the text', width: 'No wider than the text' } as const;
type Fit = keyof typeof FITS;

function read(list: string): { rows: NameRow[]; why: string | null } {
  try {
    return { rows: list.trim() === '' ? [] : readNames(list), why: null };
  } catch (error) {
    return { rows: [], why: (error as Error).message };
  }
}

/** Names of one hoop: each a copy of the design with the name in place of its text. */
export function NamesInHoop({ onLaid }: { onLaid(ids: string[]): Promise<void> }) {
  const job = useJob((s) => s.job)!;
  const texts = job.pieces.filter((p) => p.lettering);
  const laid = (job.floor?.beside ?? []).flatMap((b) => (b.text ? [b.text] : []));
  const [open, setOpen] = useState(false);
  const [list, setList] = useState('');
  const [fit, setFit] = useState<Fit>('height');
  const [piece, setPiece] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const { rows, why } = useMemo(() => read(list), [list]);
  if (texts.length === 0) return null;
  const chosen = texts.find((p) => p.id === piece) ?? texts[0]!;
  const begin = (): void => {
    setList(laid.map((t) => t.words.replaceAll('\n', ' ')).join('\n'));
    setFit(laid[0]?.fit ?? 'height');
    setPiece(laid[0]?.piece ?? '');
    setProblem(null);
  };
  const lay = async (): Promise<void> => {
    try {
      const ids = await layNames(chosen.id, rows, fit);
      setOpen(false);
      await onLaid(ids);
    } catch (error) {
      setProblem((error as Error).message);
    }
  };
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(now) => {
        if (now) begin();
        setOpen(now);
      }}
    >
      <Dialog.Trigger asChild>
        <Button>Names …</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content className="fixed top-[10vh] left-1/2 z-50 flex max-h-[80vh] w-[440px] max-w-[95vw] -translate-x-1/2 flex-col gap-3 rounded-md border border-edge bg-panel p-5 shadow-lg">
          <Dialog.Title className="text-lg font-semibold">Names in this hoop</Dialog.Title>
          <Dialog.Description className="text-quiet">
            One name a line, or a table whose first line says name, size, thread. Each is a copy of the design with the name in place of its
            text; the design itself is left out.
          </Dialog.Description>
          {texts.length > 1 && (
            <Choice
              label="In place of"
              value={chosen.id}
              options={texts.map((p) => ({ value: p.id, name: p.lettering!.text }))}
              onChange={setPiece}
            />
          )}
          <label className="flex min-h-0 flex-1 flex-col">
            <span className="mb-1 text-quiet">Names</span>
            <textarea
              value={list}
              rows={9}
              onChange={(e) => setList(e.target.value)}
              className="min-h-[120px] w-full resize-none rounded-md border border-edge bg-white px-2 py-1.5"
            />
          </label>
          <Choice<Fit>
            label="Size"
            value={fit}
            options={(['height', 'width'] as const).map((value) => ({ value, name: FITS[value] }))}
            onChange={setFit}
          />
          {(problem ?? why) && (
            <p role="alert" className="text-danger">
              {problem ?? why}
            </p>
          )}
          <div className="flex justify-end gap-2">
            <Dialog.Close asChild>
              <Button>Leave it</Button>
            </Dialog.Close>
            <Button look="primary" disabled={(rows.length === 0 && laid.length === 0) || why !== null} onClick={() => void lay()}>
              {rows.length === 0 ? 'Take the names out' : `Lay ${counted(rows.length, 'name')}`}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
