'use client';
import { ArrowLeft, ArrowLeftRight } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { cancelCompare, compare, findChoices, keep, useCompare, type Choosable } from '@/session/derived/compareStore';
import { Button, SignButton } from '../components/Button';
import { Choice } from '../components/Choice';
import { Sign } from '../components/Sign';
import { DropAnywhere } from '../intake/DropAnywhere';
import { HomeLink } from '../components/HomeLink';
import { placeHref } from '../places';
import { Changes } from './Changes';
import { FigureTable } from './FigureTable';
import { namesOf, SewnChanges } from './SewnChanges';
import { Slider } from './Slider';

interface Props {
  /** Keys of what is on either side; what is missing or gone is chosen for the person. */
  left: string | undefined;
  right: string | undefined;
}

const find = (choices: readonly Choosable[], key: string | undefined): Choosable | undefined => choices.find((c) => c.key === key);

/** What stands on either side: what was asked for, else what is most likely meant. */
function sidesOf(choices: readonly Choosable[], { left, right }: Props): [Choosable, Choosable] | null {
  const b = find(choices, right) ?? choices.find((c) => c.key.startsWith('now') && c.key !== left);
  const a =
    find(choices, left) ??
    choices.find((c) => c !== b && c.job.id === b?.job.id && !c.key.startsWith('now')) ??
    choices.find((c) => c !== b && c.key.startsWith('now'));
  return a && b ? [a, b] : null;
}

/** Two versions of a job, or two jobs: both sewn pictures under one slider, and every figure side by side. */
export function Compare(props: Props) {
  const router = useRouter();
  const { choices, result, progress, problem } = useCompare();
  useEffect(() => {
    findChoices().catch((error: Error) => useCompare.setState({ choices: [], problem: error.message }));
    return cancelCompare;
  }, []);
  const sides = choices && sidesOf(choices, props);
  const [a, b] = sides ?? [null, null];
  useEffect(() => {
    if (a && b) void compare(a, b);
  }, [a, b]);
  const choose = (left: string, right: string): void =>
    router.replace(`/compare?left=${encodeURIComponent(left)}&right=${encodeURIComponent(right)}`);

  return (
    <div className="flex min-h-screen flex-col">
      <DropAnywhere />
      <header className="flex h-12 items-center gap-3 border-b border-hairline bg-panel px-4">
        <HomeLink />
        <h1 className="text-lg font-semibold">Compare</h1>
        {b && (
          <Link
            href={placeHref(b.job.id, 'bench')}
            className="ml-auto inline-flex h-8 items-center gap-1.5 rounded-md border border-edge bg-panel px-3 hover:bg-tape-soft"
          >
            <ArrowLeft size={15} aria-hidden="true" /> To the bench of ‘{b.job.name}’
          </Link>
        )}
      </header>
      <main className="mx-auto grid w-full max-w-[1240px] flex-1 grid-cols-1 content-start gap-x-6 px-4 py-4 lg:grid-cols-[minmax(0,1fr)_452px]">
        {problem && (
          <p role="alert" className="text-danger lg:col-span-2">
            <Sign of="stop" /> {problem}
          </p>
        )}
        {choices === null && (
          <p role="status" className="text-quiet">
            Looking through the shelf …
          </p>
        )}
        {choices !== null && !sides && <Nothing />}
        {choices && a && b && (
          <>
            <div className="mb-3 flex items-end gap-2 lg:col-span-2">
              <Side label="Left" value={a.key} choices={choices} onChange={(key) => choose(key, b.key)} />
              <SignButton name="Swap the sides" className="border-edge" onClick={() => choose(b.key, a.key)}>
                <ArrowLeftRight size={16} />
              </SignButton>
              <Side label="Right" value={b.key} choices={choices} onChange={(key) => choose(a.key, key)} />
              <Button onClick={() => void keep(b.job)} title="Keeps the right side as it stands now, to compare with later">
                Keep this version
              </Button>
            </div>
            {result ? (
              <>
                <Slider result={result} left={a.name} right={b.name} />
                <section aria-label="Figures">
                  <FigureTable result={result} />
                  {a.job.id === b.job.id && (
                    <>
                      <Changes changes={result.changes} />
                      <SewnChanges changes={result.sewn} names={namesOf(b.job)} />
                    </>
                  )}
                </section>
              </>
            ) : (
              progress !== null && <Working progress={progress} />
            )}
          </>
        )}
      </main>
    </div>
  );
}

function Side({
  label,
  value,
  choices,
  onChange,
}: {
  label: string;
  value: string;
  choices: readonly Choosable[];
  onChange(key: string): void;
}) {
  return (
    <Choice
      label={label}
      className="min-w-0 flex-1"
      value={value}
      options={choices.map((c) => ({ value: c.key, name: c.name }))}
      onChange={onChange}
    />
  );
}

function Working({ progress }: { progress: number }) {
  return (
    <div role="status" className="flex items-center gap-3 py-10">
      <span>Sewing, weighing and forecasting both …</span>
      <progress value={progress} aria-label="Comparison" />
      <span className="figures">{Math.round(100 * progress)} %</span>
      <Button dense onClick={cancelCompare}>
        Stop
      </Button>
    </div>
  );
}

function Nothing() {
  return (
    <div className="max-w-[52ch] py-6">
      <p className="text-lg font-semibold">There is only one thing to look at.</p>
      <p className="mt-1 text-quiet">
        Change something on the bench and come back: the job as it was opened is then compared with the job as it is now. Or duplicate it on
        the shelf, and compare the two.
      </p>
      <Link href="/" className="mt-3 inline-block rounded-md border border-ink bg-tape px-4 py-1.5 font-semibold">
        To the shelf
      </Link>
    </div>
  );
}
