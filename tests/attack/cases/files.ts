import { EMPTY_LIBRARY, mergedLibrary, parseLibrary, type ShopLibrary } from '../../../src/core/cloth/library';
import { writeBundle } from '../../../src/core/formats/bundle';
import { readBundle } from '../../../src/core/formats/readBundle';
import { readShelf, writeShelf } from '../../../src/core/formats/shelf';
import { jobOf, piece } from '../../../src/core/pieces/fixtures';
import { oneOf, type Attack, type Random } from './kinds';

const job = jobOf([piece('fill', { area: 'M-20,-20 H20 V20 H-20 Z' })]);
const WHOLE = writeBundle({ job, artwork: { 'a.svg': '<svg>' + 'x'.repeat(3000) + '</svg>', 'ä ☂.svg': '<svg/>' } });
const SHELF = writeShelf({ jobs: [{ job, artwork: {}, updated: 1 }], library: EMPTY_LIBRARY });

/** Bytes changed, cut, doubled or put in. */
function damaged(whole: Uint8Array, random: Random): Uint8Array {
  let out = whole.slice();
  const times = 1 + Math.floor(random() * 6);
  for (let i = 0; i < times; i++) {
    const at = Math.floor(random() * out.length);
    const kind = random();
    if (kind < 0.6) out[at] = Math.floor(random() * 256);
    else if (kind < 0.7) out = out.slice(0, at);
    else if (kind < 0.8) out = new Uint8Array([...out.slice(0, at), ...out.slice(at + 1 + Math.floor(random() * 50))]);
    else if (kind < 0.9) out = new Uint8Array([...out.slice(0, at), ...out.slice(Math.max(0, at - 200))]);
    else
      new DataView(out.buffer).setUint32(
        Math.max(0, Math.min(out.length - 4, at)),
        oneOf([0, 0xffffffff, 0x7fffffff, 65535], random),
        true,
      );
    if (out.length < 8) break;
  }
  return out;
}

export const bundles: Attack = {
  name: 'bundles',
  usual: 500,
  case(index, random) {
    const shelf = index % 4 === 0;
    const bytes = damaged(shelf ? SHELF : WHOLE, random);
    return {
      what: shelf ? 'damaged shelf' : 'damaged bundle',
      keep: bytes,
      run: () => {
        if (!shelf) return readBundle(bytes).job.pieces.length === 1 ? null : 'another job was read than was written';
        readShelf(bytes);
        return null;
      },
    };
  },
};

const VALUES: unknown[] = [null, 0, -1, 1e308, '', 'x', 'x'.repeat(5000), '__proto__', [], {}, true, [[]], '#12', 'NaN'];
const LIBRARY: ShopLibrary = {
  ...EMPTY_LIBRARY,
  recipes: [{ id: 'house-1', name: 'Ours', cloth: 'pique', pullComp: 0.4 }],
  threads: [{ code: 'Q1', name: 'Moss', hex: '#335533', weight: 40 }],
  hoops: [{ width: 90, height: 60, shape: 'rect' }],
  needles: [{ size: '70/10', use: 'x', least: 30, most: 60 }],
  school: { satinLimit: 8 },
};

export const libraries: Attack = {
  name: 'libraries',
  usual: 500,
  case(_, random) {
    const library = structuredClone(LIBRARY) as unknown as Record<string, unknown>;
    const times = 1 + Math.floor(random() * 4);
    for (let i = 0; i < times; i++) {
      let node = library;
      for (let depth = 0; depth < 3; depth++) {
        const key = oneOf(Object.keys(node), random);
        if (key === undefined) break;
        const child = node[key];
        if (typeof child !== 'object' || child === null || random() < 0.3) {
          node[key] = oneOf(VALUES, random);
          break;
        }
        node = child as Record<string, unknown>;
      }
    }
    return {
      what: 'mutated library',
      keep: JSON.stringify(library),
      run: () => {
        mergedLibrary(EMPTY_LIBRARY, parseLibrary(library));
        return null;
      },
    };
  },
};
