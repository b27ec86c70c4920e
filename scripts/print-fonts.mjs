// Lays out the faces that papers are printed with, and which signs each file has. Words: --anew lays them out though they are there.
import { copyFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const OUT = 'public/print';
const FAMILIES = [
  { name: 'atkinson-hyperlegible-next', subsets: ['latin', 'latin-ext'], bold: true },
  { name: 'noto-sans', subsets: ['cyrillic', 'cyrillic-ext', 'greek', 'greek-ext', 'vietnamese', 'latin-ext', 'devanagari'] },
  { name: 'noto-sans-hebrew', subsets: ['hebrew'] },
  { name: 'noto-sans-arabic', subsets: ['arabic'] },
  { name: 'noto-sans-thai', subsets: ['thai'] },
  { name: 'noto-sans-jp' },
  { name: 'noto-sans-kr' },
  { name: 'noto-sans-sc' },
];

if (existsSync(join(OUT, 'index.json')) && !process.argv.includes('--anew')) process.exit(0);
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });

const ranges = (text) =>
  text.split(',').map((part) => {
    const [from, to] = part.trim().slice(2).split('-');
    return [parseInt(from, 16), parseInt(to ?? from, 16)];
  });

const index = [];
for (const { name, subsets, bold = false } of FAMILIES) {
  const from = join('node_modules/@fontsource', name);
  const unicode = JSON.parse(readFileSync(join(from, 'unicode.json'), 'utf8'));
  copyFileSync(join(from, 'LICENSE'), join(OUT, `${name}.LICENCE.txt`));
  for (const [subset, text] of Object.entries(unicode)) {
    if (subsets ? !subsets.includes(subset) : !subset.startsWith('[')) continue;
    const part = subset.replace(/[[\]]/g, '');
    const file = `${name}-${part}-400-normal.woff`;
    const heavy = `${name}-${part}-700-normal.woff`;
    copyFileSync(join(from, 'files', file), join(OUT, file));
    if (bold) copyFileSync(join(from, 'files', heavy), join(OUT, heavy));
    index.push({ file, ...(bold ? { bold: heavy } : {}), ranges: ranges(text) });
  }
}
writeFileSync(join(OUT, 'index.json'), JSON.stringify(index));
