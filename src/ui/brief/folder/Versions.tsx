'use client';
import { Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { toast } from '@/session/notice';
import type { Version } from '@/platform/storage/versions';
import { bringBack } from '@/session/edit/folderCommands';
import { useJob } from '@/session/job/jobStore';
import { callVersion, forgetVersion, keepNamed, openVersions, useVersions } from '@/session/job/versionStore';
import { Button, SignButton } from '../../components/Button';
import { DraftField, TextField } from '../../components/TextField';

const clock = (time: number): string =>
  new Date(time).toLocaleString('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });

const said = (work: Promise<unknown>): void => void work.catch((e: unknown) => toast.error((e as Error).message));

/** Versions that were kept: called by a name, with what was changed and why. */
export function Versions() {
  const id = useJob((s) => s.job!.id);
  const of = useVersions((s) => s.of);
  const list = useVersions((s) => s.list);
  const [name, setName] = useState('');
  const [note, setNote] = useState('');
  useEffect(() => said(openVersions(id)), [id]);
  const shown = of === id ? (list ?? []) : [];
  return (
    <section aria-label="Kept versions" className="rounded-md border border-hairline bg-panel p-5">
      <h2 className="mb-3 text-lg font-semibold">Kept versions</h2>
      <form
        className="grid grid-cols-[1fr_1fr_auto] items-end gap-2 max-sm:grid-cols-1"
        onSubmit={(e) => {
          e.preventDefault();
          said(
            keepNamed(name.trim(), note.trim()).then(() => {
              setName('');
              setNote('');
            }),
          );
        }}
      >
        <DraftField label="Name of this version" maxLength={80} value={name} onChange={setName} />
        <DraftField label="What was changed, and why" maxLength={1000} value={note} onChange={setNote} />
        <Button type="submit" disabled={name.trim() === ''}>
          Keep it
        </Button>
      </form>
      <ul className="mt-3 grid gap-3">
        {shown.map((v) => (
          <OneVersion key={v.id} version={v} />
        ))}
      </ul>
      {shown.length === 0 && <p className="mt-3 text-quiet">None yet. A kept version can be compared with the job, and brought back.</p>}
    </section>
  );
}

function OneVersion({ version }: { version: Version }) {
  const title = version.name || clock(version.kept);
  return (
    <li className="border-l-2 border-edge pl-3" data-version={title}>
      <div className="flex items-center gap-2">
        <TextField
          label={`Name of ${title}`}
          hideLabel
          className="min-w-0 flex-1 font-semibold"
          maxLength={80}
          placeholder={clock(version.kept)}
          value={version.name ?? ''}
          onCommit={(name) => said(callVersion(version, name, version.note ?? ''))}
        />
        <Link
          href={`/compare?left=${encodeURIComponent(`kept ${version.id}`)}&right=${encodeURIComponent(`now ${version.job.id}`)}`}
          className="underline decoration-dotted underline-offset-4"
        >
          Compare
        </Link>
        <Button dense onClick={() => bringBack(version.job)}>
          Bring back
        </Button>
        <SignButton name={`Forget ${title}`} onClick={() => said(forgetVersion(version))}>
          <Trash2 size={15} />
        </SignButton>
      </div>
      <p className="mt-1 text-xs text-quiet">
        {clock(version.kept)} · {version.job.pieces.length} pieces{version.note ? ` · ${version.note}` : ''}
      </p>
    </li>
  );
}
