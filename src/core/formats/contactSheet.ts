import type { Lettering } from '../document/types';
import { specimenOf, type SpecimenPart } from '../lettering/specimen';

const COLUMNS = 3;
const CELL = { width: 66, height: 30, specimen: 16, margin: 5 };

const escaped = (text: string): string => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** All names of a list on one sheet, as they will be set, with their heights: an SVG in mm, A4 wide. */
export function contactSheet(names: readonly { name: string; text: Lettering }[]): string {
  const rows = Math.ceil(names.length / COLUMNS);
  const [width, height] = [COLUMNS * CELL.width + 12, rows * CELL.height + 12];
  const cells = names.map(({ name, text }, i) => {
    const [x, y] = [6 + (i % COLUMNS) * CELL.width, 6 + Math.floor(i / COLUMNS) * CELL.height];
    const says = `${i + 1}. ${name}, ${text.height.toFixed(1)} mm`;
    return `<g transform="translate(${x} ${y})"><rect width="${CELL.width}" height="${CELL.height}" fill="none" stroke="#c9cfcc" stroke-width="0.2"/>${drawn(text, i)}<text x="${CELL.margin}" y="${CELL.height - 3.5}" font-family="sans-serif" font-size="3.2" fill="#1f2625">${escaped(says)}</text></g>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}"><rect width="100%" height="100%" fill="#fff"/>${cells.join('')}</svg>\n`;
}

/** The text, as large as its cell allows. */
function drawn(text: Lettering, i: number): string {
  const specimen = specimenOf(text);
  if (!specimen) return '';
  const { parts, box } = specimen;
  const room = CELL.width - 2 * CELL.margin;
  const grown = text.height * 0.2;
  const [w, h] = [box.maxX - box.minX + grown, box.maxY - box.minY + grown];
  const k = Math.min(room / w, CELL.specimen / h);
  const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const place = `translate(${(CELL.width / 2).toFixed(2)} ${(CELL.margin + CELL.specimen / 2).toFixed(2)}) scale(${k.toFixed(4)}) translate(${(-cx).toFixed(3)} ${(-cy).toFixed(3)})`;
  return `<g transform="${place}">${parts.map((p, n) => part(p, `c${i}-${n}`)).join('')}</g>`;
}

function part({ d, width, cap, within }: SpecimenPart, id: string): string {
  const ink = width === undefined ? `<path d="${d}" fill="#1d2a44" fill-rule="evenodd"/>` : `<path d="${d}" fill="none" stroke="#1d2a44" stroke-width="${width.toFixed(3)}" stroke-linecap="${cap ?? 'butt'}" stroke-linejoin="round"/>`; // prettier-ignore
  return within === undefined ? ink : `<clipPath id="${id}"><path d="${within}"/></clipPath><g clip-path="url(#${id})">${ink}</g>`;
}
