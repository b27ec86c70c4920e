'use client';
import { lengthText, said } from '@/session/view/unitsStore';
import { Dialog } from 'radix-ui';
import { useMemo, useRef, useState } from 'react';
import { create } from 'zustand';
import type { Job, Lettering, Piece } from '@/core/document/types';
import { jobForName, readNames, type NameRow, type NamesFit } from '@/core/lettering/names';
import { counted } from '@/core/units/count';
import { download, fileStem } from '@/platform/files';
import { IDLE, Task, type TaskState } from '@/session/derived/task';
import { withLetters } from '@/session/shop/faceStore';
import { engine } from '@/workers/client';
import { Button } from '../../../components/Button';
import { Choice } from '../../../components/Choice';
import { NumberField } from '../../../components/NumberField';
import { Specimen } from '../../../components/Specimen';

interface NamesState extends TaskState {
  said: string | null;
}

const useNames = create<NamesState>(() => ({ ...IDLE, said: null }));
const task = new Task((state) => useNames.setState(state));

const FITS: Record<NamesFit['fit'], string> = { height: 'All as high as the text', width: 'No wider than the text' };
/** Names shown at once. */
const SHOWN = 60;

/** A name, as it will be set; or why it cannot be. */
function previewOf(job: Job, piece: string, row: NameRow, fit: NamesFit['fit']): { text: Lettering } | { why: string } {
  try {
    return { text: jobForName(job, piece, row, { fit }).pieces.find((p) => p.id === piece)!.lettering! };
  } catch (error) {
    return { why: (error as Error).message };
  }
}

/** A list of names, one job for each: this job with the name in place of the text. */
export function Names({ job, piece, text }: { job: Job; piece: Piece; text: Lettering }) {
  const [list, setList] = useState('');
  const [fit, setFit] = useState<NamesFit['fit']>('width');
  const [together, setTogether] = useState(false);
  const [gap, setGap] = useState(10);
  const input = useRef<HTMLInputElement>(null);
  const { progress, problem, said: result } = useNames();
  const { rows, why } = useMemo(() => read(list), [list]);
  // The letters of all names come along: the calculation has no font.
  const whole = useMemo(() => {
    const { outlines } = withLetters({ ...text, text: `${text.text} ${rows.map((r) => r.name).join(' ')}` });
    const lettering: Lettering = { ...text, ...(outlines ? { outlines } : {}) };
    return { ...job, pieces: job.pieces.map((p) => (p.id === piece.id ? { ...p, lettering } : p)) };
  }, [job, piece.id, text, rows]);
  const previews = useMemo(
    () => rows.slice(0, SHOWN).map((row) => ({ row, ...previewOf(whole, piece.id, row, fit) })),
    [rows, whole, piece.id, fit],
  );
  const make = (): void => {
    useNames.setState({ said: null });
    void task.run(
      (options) => engine.call('names', { job: whole, piece: piece.id, rows, fit, ...(together ? { together: gap } : {}) }, options),
      ({ data, made, hoops, refused }) => {
        if (made > 0) download(`${fileStem(job.name)}-names.zip`, data);
        const bad = refused.map((r) => `row ${r.row}, ‘${r.name}’: ${said(r.why)}`).join(' ');
        useNames.setState({
          said: `${counted(made, 'name')} made${together ? ` in ${counted(hoops, 'hoop')}` : ''}${refused.length > 0 ? `, ${refused.length} refused. ${bad}` : '.'}`,
        });
      },
    );
  };
  return (
    <Dialog.Root onOpenChange={(open) => open || task.cancel()}>
      <Dialog.Trigger asChild>
        <Button className="col-span-2">A list of names …</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
        <Dialog.Content
          className="fixed top-[6vh] left-1/2 z-50 flex max-h-[88vh] w-[860px] max-w-[95vw] -translate-x-1/2 flex-col rounded-md border border-edge bg-panel p-5 shadow-lg"
          data-testid="names"
        >
          <Dialog.Title className="text-lg font-semibold">A list of names in place of ‘{text.text}’</Dialog.Title>
          <Dialog.Description className="mt-1 text-quiet">
            One name a line, or a table whose first line says name, size, thread. Each becomes a job with its stitches and worksheet.
          </Dialog.Description>
          <div className="mt-3 grid min-h-0 flex-1 grid-cols-[260px_1fr] gap-4">
            <div className="flex min-h-0 flex-col gap-2">
              <label className="flex min-h-0 flex-1 flex-col">
                <span className="mb-1 text-quiet">Names</span>
                <textarea
                  value={list}
                  onChange={(e) => setList(e.target.value)}
                  className="min-h-[220px] w-full flex-1 resize-none rounded-md border border-edge bg-white px-2 py-1.5"
                />
              </label>
              <Button onClick={() => input.current?.click()}>From a file …</Button>
              <input
                ref={input}
                type="file"
                accept=".csv,.txt"
                aria-label="A list of names"
                className="hidden"
                onChange={(e) => {
                  void e.target.files?.[0]?.text().then(setList);
                  e.target.value = '';
                }}
              />
              <Choice<NamesFit['fit']>
                label="Size"
                value={fit}
                options={(['width', 'height'] as const).map((value) => ({ value, name: FITS[value] }))}
                onChange={setFit}
              />
              <label className="flex items-center gap-2">
                <input type="checkbox" checked={together} onChange={(e) => setTogether(e.target.checked)} />
                Several in one hoop
              </label>
              {together && (
                <NumberField
                  label="Apart"
                  {...{ unit: 'mm', min: 0, max: 100, step: 1, decimals: 0, lengthUnit: job.brief.units ?? 'mm' }}
                  value={gap}
                  onCommit={(mm) => setGap(mm ?? 10)}
                />
              )}
            </div>
            <ul
              aria-label="How the names will look"
              className="grid min-h-0 auto-rows-min grid-cols-2 gap-2 overflow-y-auto rounded-md bg-mat p-2"
            >
              {previews.map((p) => (
                <li key={p.row.row} className="rounded-md border border-edge bg-white px-3 py-2">
                  {'text' in p ? (
                    <>
                      <Specimen text={p.text} className="h-9 w-full" />
                      <p className="figures mt-1 text-xs text-quiet">{lengthText(p.text.height)}</p>
                    </>
                  ) : (
                    <p className="text-danger">
                      {p.row.name || `Row ${p.row.row}`}: {said(p.why)}
                    </p>
                  )}
                </li>
              ))}
              {rows.length === 0 && <li className="col-span-2 p-4 text-white">Names appear here as they will be set.</li>}
              {rows.length > SHOWN && <li className="col-span-2 p-1 text-white">and {rows.length - SHOWN} more</li>}
            </ul>
          </div>
          <div className="mt-3 flex items-center gap-3">
            <p role="status" className="min-w-0 flex-1 text-quiet">
              {result !== null && said(result)}
            </p>
            {(problem ?? why) && (
              <p role="alert" className="text-danger">
                {problem ?? why}
              </p>
            )}
            {progress !== null && (
              <>
                <progress value={progress} aria-label="Making names" className="w-24" />
                <Button look="quiet" onClick={() => task.cancel()}>
                  Stop
                </Button>
              </>
            )}
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
            <Button look="primary" disabled={rows.length === 0 || progress !== null} onClick={make}>
              Make {counted(rows.length, 'name')}
            </Button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function read(list: string): { rows: NameRow[]; why: string | null } {
  try {
    return { rows: readNames(list), why: null };
  } catch (error) {
    return { rows: [], why: (error as Error).message };
  }
}
