import type { PicturePlace, TracedFrom } from '@/core/document/types';
import type { PageLayout } from '@/core/tracing/page/prepare';
import { MARK } from './PagePane';

/** What was dropped (crosses) and kept (rings) by hand, and specks that were left out (dots), in pixels of the page. */
export function PlaceMarks({ picture, page, px }: { picture: TracedFrom; page: PageLayout; px: number }) {
  const at = (place: PicturePlace): { x: number; y: number } => {
    const [x, y] = page.placeOf(place);
    return { x: x * page.width, y: y * page.height };
  };
  const arm = 5 * px;
  return (
    <g fill="none" strokeLinecap="round">
      {(picture.dropped ?? []).map(at).map((p, i) => (
        <g key={`d${i}`} data-mark="dropped">
          {[4, 2].map((w) => (
            <path
              key={w}
              d={`M${p.x - arm} ${p.y - arm}L${p.x + arm} ${p.y + arm}M${p.x - arm} ${p.y + arm}L${p.x + arm} ${p.y - arm}`}
              stroke={w === 4 ? '#fff' : MARK}
              strokeWidth={w * px}
            />
          ))}
        </g>
      ))}
      {(picture.kept ?? []).map(at).map((p, i) => (
        <g key={`k${i}`} data-mark="kept">
          <circle cx={p.x} cy={p.y} r={7 * px} stroke="#fff" strokeWidth={4 * px} />
          <circle cx={p.x} cy={p.y} r={7 * px} stroke="#1d282c" strokeWidth={2 * px} />
        </g>
      ))}
    </g>
  );
}
