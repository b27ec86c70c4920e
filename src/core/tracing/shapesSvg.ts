import type { Tracing } from './trace';

const mm = (v: number): string => String(Math.round(v * 1000) / 1000);

/** Traced shapes as an SVG of their true size, painted back to front. */
export function shapesSvg({ widthMm, heightMm, shapes }: Tracing): string {
  const body = shapes.map(({ hex, data, stroke }) =>
    stroke
      ? `<path fill="none" stroke="${hex}" stroke-width="${mm(stroke.widthMm)}" stroke-linecap="${stroke.cap}" stroke-linejoin="${stroke.cap === 'butt' ? 'miter' : 'round'}" d="${data}"/>`
      : `<path fill="${hex}" fill-rule="evenodd" d="${data}"/>`,
  );
  const size = `width="${mm(widthMm)}mm" height="${mm(heightMm)}mm" viewBox="0 0 ${mm(widthMm)} ${mm(heightMm)}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size}>\n${body.join('\n')}\n</svg>\n`;
}

/** Size of the page of traced shapes, mm. */
export function pageSizeMm(svg: string): { widthMm: number; heightMm: number } {
  const [, w, h] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? [];
  return { widthMm: Number(w ?? 0), heightMm: Number(h ?? 0) };
}

/** What a drawing of traced shapes says of itself. */
export interface ShapeFigures {
  /** Of the whole picture, mm. */
  widthMm: number;
  colours: string[];
  areas: number;
  lines: number;
  nodes: number;
}

/** Reads these from a drawing that `shapesSvg` wrote. */
export function shapeFigures(svg: string): ShapeFigures {
  const paths = svg.match(/<path [^>]*>/g) ?? [];
  const hexes = paths.map((p) => /(?:stroke|fill)="(#\w+)"/.exec(p)?.[1] ?? '');
  const lines = paths.filter((p) => p.includes('stroke=')).length;
  return {
    widthMm: pageSizeMm(svg).widthMm,
    colours: [...new Set(hexes.filter((h) => h !== ''))],
    areas: paths.length - lines,
    lines,
    nodes: paths.reduce((n, p) => n + (p.match(/[LC]-?\d/g)?.length ?? 0), 0),
  };
}
