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
