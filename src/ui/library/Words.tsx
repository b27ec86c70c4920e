'use client';
import { useState } from 'react';
import { GLOSSARY, type Term } from '@/core/gallery/glossary';
import { SewnTerm } from '../words/SewnTerm';

const matches = ({ term, also, says }: Term, wanted: string): boolean =>
  wanted.split(/\s+/).every((w) => `${term} ${also} ${says}`.toLowerCase().includes(w));

/** The words of the craft, each with a sewn sample; found by any word in use for it. */
export function Words() {
  const [wanted, setWanted] = useState('');
  const found = GLOSSARY.filter((t) => matches(t, wanted.trim().toLowerCase()));
  return (
    <section aria-label="Words of the craft">
      <input
        type="search"
        value={wanted}
        onChange={(e) => setWanted(e.target.value)}
        aria-label="Find a word"
        placeholder="Find a word: density, foundation, gap …"
        className="mb-4 h-8 w-full max-w-[420px] rounded-md border border-edge bg-white px-2"
      />
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(240px,1fr))] gap-4" data-testid="words">
        {found.map((t) => (
          <li key={t.key} className="rounded-md border border-hairline bg-panel">
            <SewnTerm term={t} />
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="text-quiet">No word of the craft has ‘{wanted}’ in it. Try a shorter one.</p>}
    </section>
  );
}
