'use client';
import { said, showShopUnits, useUnits } from '@/session/view/unitsStore';
import dynamic from 'next/dynamic';
import { useEffect, useRef, useState } from 'react';
import { toast } from '@/session/notice';
import { GALLERY } from '@/core/gallery/samples';
import { download } from '@/platform/files';
import { importLibrary, openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { ShopFinder } from '../commands/ShopFinder';
import { Button } from '../components/Button';
import { DropAnywhere } from '../intake/DropAnywhere';
import { HomeLink } from '../components/HomeLink';
import { useHashPart } from '../components/useHashPart';
import { SampleCard, type SampleSize } from './SampleCard';
import { chooseByArrows, onTabWay } from '../components/arrowKeys';

// Each part comes when it is opened.
const Cloths = dynamic(() => import('./Cloths').then((m) => m.Cloths), { ssr: false });
const Faces = dynamic(() => import('./Faces').then((m) => m.Faces), { ssr: false });
const HoopsNeedles = dynamic(() => import('./HoopsNeedles').then((m) => m.HoopsNeedles), { ssr: false });
const Schools = dynamic(() => import('./Schools').then((m) => m.Schools), { ssr: false });
const ShopPage = dynamic(() => import('./ShopPage').then((m) => m.ShopPage), { ssr: false });
const Threads = dynamic(() => import('./Threads').then((m) => m.Threads), { ssr: false });
const Words = dynamic(() => import('./Words').then((m) => m.Words), { ssr: false });

const SIZES = [
  { key: 'large', name: 'Enlarged' },
  { key: 'real', name: 'Real size' },
] as const satisfies readonly { key: SampleSize; name: string }[];

const PAGES = [
  { key: 'ways', name: 'Ways of sewing', says: 'Every way of sewing, as the engine sews it, thread at true width.' },
  { key: 'faces', name: 'Faces', says: 'Every face, sewn 30, 15, 8 and 5 mm high, with its smallest height.' },
  { key: 'cloths', name: 'Cloths', says: 'Starting values for every cloth, and your own.' },
  { key: 'threads', name: 'Threads', says: 'The chart that colours are matched to, and your own cones.' },
  { key: 'hoops', name: 'Hoops, needles', says: 'What the machine takes: fields and needles, the usual ones and your own.' },
  { key: 'shop', name: 'Shop', says: 'Your name, hours and machines: for sheets, quotations and the day’s work.' },
  { key: 'words', name: 'Words', says: 'What the words of the craft mean, each as it is sewn.' },
  { key: 'schools', name: 'Schools', says: 'Where good people differ: what new jobs begin with.' },
] as const;
const PAGE_KEYS = PAGES.map((p) => p.key);

/** What the shop knows: ways of sewing, cloths, threads, and how it likes to work. */
export function Library() {
  const [page, setPage] = useHashPart(PAGE_KEYS, 'ways');
  const units = useUnits((s) => s.units);
  useEffect(() => void openLibrary(), []);
  useEffect(showShopUnits, []);
  return (
    <div className="flex min-h-screen flex-col">
      <DropAnywhere />
      <header className="flex h-12 items-center gap-3 border-b border-hairline bg-panel px-4">
        <HomeLink />
        <h1 className="text-lg font-semibold">Library</h1>
        <p className="hidden min-w-0 truncate text-quiet xl:block">{said(PAGES.find((p) => p.key === page)!.says)}</p>
        <LibraryFile />
        <ShopFinder at="library" />
        <nav aria-label="Parts of the library" className="flex overflow-x-auto rounded-md border border-edge lg:shrink-0">
          {PAGES.map((p) => (
            <button
              key={p.key}
              type="button"
              aria-current={page === p.key ? 'page' : undefined}
              onClick={() => setPage(p.key)}
              className={`h-8 px-2.5 whitespace-nowrap ${page === p.key ? 'bg-tape font-semibold' : 'bg-panel hover:bg-tape-soft'}`}
            >
              {p.name}
            </button>
          ))}
        </nav>
      </header>
      <main key={units} className="mx-auto w-full max-w-[1180px] flex-1 px-4 py-6 sm:px-8">
        {page === 'ways' && <Ways />}
        {page === 'faces' && <Faces />}
        {page === 'cloths' && <Cloths />}
        {page === 'threads' && <Threads />}
        {page === 'hoops' && <HoopsNeedles />}
        {page === 'shop' && <ShopPage />}
        {page === 'words' && <Words />}
        {page === 'schools' && <Schools />}
      </main>
    </div>
  );
}

function Ways() {
  const [size, setSize] = useState<SampleSize>('large');
  return (
    <>
      <div
        role="radiogroup"
        aria-label="Size of the samples"
        onKeyDown={chooseByArrows}
        className="float-right flex overflow-hidden rounded-md border border-edge"
      >
        {SIZES.map((s) => (
          <button
            key={s.key}
            type="button"
            role="radio"
            aria-checked={size === s.key}
            tabIndex={onTabWay(size === s.key)}
            onClick={() => setSize(s.key)}
            className={`h-8 px-3 ${size === s.key ? 'bg-tape font-semibold' : 'bg-panel hover:bg-tape-soft'}`}
          >
            {s.name}
          </button>
        ))}
      </div>
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
    </>
  );
}

/** The whole library as a file, out and in. */
function LibraryFile() {
  const library = useLibrary((s) => s.library);
  const problem = useLibrary((s) => s.problem);
  const input = useRef<HTMLInputElement>(null);
  const read = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      await importLibrary(await file.text());
      toast.success('The library was read; entries of the same name are replaced.');
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  return (
    <div className="ml-auto flex items-center gap-2">
      {problem && (
        <span role="alert" className="max-w-[280px] truncate text-danger" title={problem}>
          {problem}
        </span>
      )}
      <input
        ref={input}
        type="file"
        accept=".json,application/json"
        aria-label="Library file"
        className="sr-only"
        onChange={(e) => {
          void read(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <Button onClick={() => input.current?.click()}>Read a library</Button>
      <Button onClick={() => download('cobble-library.json', new Blob([JSON.stringify(library, null, 2)], { type: 'application/json' }))}>
        Take it away
      </Button>
    </div>
  );
}
