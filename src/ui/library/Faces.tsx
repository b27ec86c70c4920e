'use client';
import { said } from '@/session/view/unitsStore';
import { useEffect, useRef, useState } from 'react';
import { jobOfSheet, SHEET_BOX, SHEET_HEIGHTS, sheetTexts } from '@/core/gallery/faceSheets';
import { FACES } from '@/core/lettering/faces';
import { foamHeight } from '@/core/lettering/foam';
import { SHIPPED_FACES } from '@/core/lettering/outline/catalogue';
import { faceFont, isOutlined, openFaces, useFaces, withLetters } from '@/session/shop/faceStore';
import { engine } from '@/workers/client';

const PIXELS_PER_MM = 9;
const SIZE = { width: (SHEET_BOX.maxX - SHEET_BOX.minX) * PIXELS_PER_MM, height: (SHEET_BOX.maxY - SHEET_BOX.minY) * PIXELS_PER_MM };

interface Shown {
  key: string;
  name: string;
  says: string;
  smallest?: Readonly<Record<40 | 60, number>>;
  foam?: number;
}

/** Every face, sewn at four heights. */
export function Faces() {
  const brought = useFaces((s) => s.brought);
  useEffect(() => void openFaces(), []);
  const own: Shown[] = brought.map((key) => ({ key, name: key, says: 'a font of your own, as columns along the middle of its strokes' }));
  const native: Shown[] = FACES.map((f) => ({ ...f, foam: foamHeight(f) }));
  return (
    <ul className="grid grid-cols-1 gap-4 lg:grid-cols-2" data-testid="faces">
      {[...native, ...SHIPPED_FACES, ...own].map((face) => (
        <FaceCard key={face.key} face={face} />
      ))}
    </ul>
  );
}

function FaceCard({ face }: { face: Shown }) {
  const { place, made, problem } = useSheet(face.key);
  const { smallest, foam } = face;
  return (
    <li ref={place} className="flex flex-col overflow-hidden rounded-md border border-hairline bg-panel" data-face-sheet={face.key}>
      <div className="grid place-items-center bg-[#e9ece8]" style={{ aspectRatio: `${SIZE.width} / ${SIZE.height}` }}>
        {made && (
          <img
            src={made.url}
            alt={said(`${face.name}, sewn ${SHEET_HEIGHTS.join(', ')} mm high`)}
            className="h-full w-full object-contain"
          />
        )}
      </div>
      <div className="border-t border-hairline p-3">
        <div className="flex items-baseline gap-3">
          <h2 className="text-lg font-semibold">{face.name}</h2>
          {smallest && (
            <p className="figures ml-auto text-quiet">
              from <b className="text-ink">{said(`${smallest[40]} mm`)}</b> in 40 weight,{' '}
              <b className="text-ink">{said(`${smallest[60]} mm`)}</b> in 60
            </p>
          )}
        </div>
        <p className="text-quiet">{said(face.says)}</p>
        <p className="figures pt-1 text-xs">
          {problem ??
            (made
              ? said(`${SHEET_HEIGHTS.join(', ')} mm: ${made.stitches.toLocaleString('en')} stitches, ${made.trims} trims`)
              : 'sewing …')}
          {foam !== undefined && said(` · on foam from ${foam} mm`)}
        </p>
      </div>
    </li>
  );
}

/** The sewn sheet of a face, made when its card first comes into view. */
function useSheet(key: string) {
  const place = useRef<HTMLLIElement>(null);
  const [made, setMade] = useState<{ url: string; stitches: number; trims: number } | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let url: string | null = null;
    const control = new AbortController();
    const sew = async (): Promise<void> => {
      if (isOutlined(key)) await faceFont(key);
      const { pieces } = jobOfSheet(sheetTexts(key).map(withLetters));
      const texts = pieces.map((p) => p.lettering!);
      const { png, ...figures } = await engine.call('faceSheet', { texts, scale: PIXELS_PER_MM }, { signal: control.signal });
      url = URL.createObjectURL(png);
      setMade({ url, ...figures });
    };
    const watch = new IntersectionObserver((seen) => {
      if (!seen.some((s) => s.isIntersecting)) return;
      watch.disconnect();
      void sew().catch((error: unknown) => control.signal.aborted || setProblem((error as Error).message));
    });
    watch.observe(place.current!);
    return () => {
      watch.disconnect();
      control.abort();
      if (url) URL.revokeObjectURL(url);
    };
  }, [key]);
  return { place, made, problem };
}
