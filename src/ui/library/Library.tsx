'use client';
import Link from 'next/link';
import { useState } from 'react';
import { GALLERY } from '@/core/gallery/samples';
import { Mark } from '../components/Mark';
import { SampleCard, type SampleSize } from './SampleCard';

const SIZES = [
  { key: 'large', name: 'Enlarged' },
  { key: 'real', name: 'Real size' },
] as const satisfies readonly { key: SampleSize; name: string }[];

/** What the shop knows: the ways of sewing, each sewn by the engine with words on when to use which. */
export function Library() {
  const [size, setSize] = useState<SampleSize>('large');
  return (
    <div className="flex min-h-screen flex-col">
      <header className="flex h-12 items-center gap-3 border-b border-hairline bg-panel px-4">
        <Link href="/" aria-label="Back to the shelf" className="grid h-8 w-8 place-items-center rounded-md hover:bg-tape-soft">
          <Mark />
        </Link>
        <h1 className="text-lg font-semibold">Library</h1>
        <p className="hidden text-quiet sm:block">Every way of sewing, as the engine sews it, thread at true width.</p>
        <div role="radiogroup" aria-label="Size of the samples" className="ml-auto flex overflow-hidden rounded-md border border-edge">
          {SIZES.map((s) => (
            <button
              key={s.key}
              type="button"
              role="radio"
              aria-checked={size === s.key}
              onClick={() => setSize(s.key)}
              className={`h-8 px-3 ${size === s.key ? 'bg-tape font-semibold' : 'bg-panel hover:bg-tape-soft'}`}
            >
              {s.name}
            </button>
          ))}
        </div>
      </header>
      <main className="mx-auto w-full max-w-[1180px] flex-1 px-4 py-6 sm:px-8">
        {GALLERY.map((group) => (
          <section key={group.title} aria-label={group.title} className="mb-8">
            <h2 className="mb-3 text-xl font-semibold">{group.title}</h2>
            <ul className="grid grid-cols-1 gap-4 sm:grid-cols-2 lg:grid-cols-4">
              {group.samples.map((sample) => (
                <SampleCard key={sample.id} sample={sample} size={size} />
              ))}
            </ul>
          </section>
        ))}
      </main>
    </div>
  );
}
