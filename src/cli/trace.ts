import { say } from './say';
import { stage } from './stage';
import { InputError } from '../core/document/errors';
import { trace } from '../core/tracing/trace';
import { shapesSvg } from '../core/tracing/shapesSvg';
import { traceReport } from '../core/tracing/traceReport';
import { readTraceArgs } from './args';
import { readBytes, sayShortly, writeAll } from './files';
import { jobOfDrawing } from './load';
import { decodedPicture } from './picture';

/** `bin/cobble trace`: a picture in, its shapes and what is to be known of them out. */
export async function traceCommand(argv: readonly string[]): Promise<number> {
  const began = performance.now();
  const { input, out, report, ...options } = readTraceArgs(argv);
  const { picture, reduced } = await decodedPicture(readBytes(input), input);
  const decoded = performance.now();
  stage('Tracing the picture');
  const traced = trace(picture, options);
  if (reduced) traced.notes.push('The picture was reduced to 4,000 pixels on its longer side.');
  const svg = shapesSvg(traced);
  const figures = traceReport(traced, { decode: decoded - began, trace: performance.now() - decoded, total: performance.now() - began });
  const files = [];
  if (out !== undefined) files.push({ path: out, content: await writtenAs(out, svg, input) });
  if (report !== undefined) files.push({ path: report, content: `${JSON.stringify(figures, null, 1)}\n` });
  writeAll(files);
  if (files.length === 0) say(`${JSON.stringify(figures, null, 1)}\n`);
  else sayShortly(`${figures.colours.length} colours, ${figures.regions} regions, ${figures.lines} lines, ${figures.nodes} nodes\n`);
  return 0;
}

async function writtenAs(path: string, svg: string, input: string): Promise<string | Uint8Array> {
  if (/\.svg$/i.test(path)) return svg;
  if (!/\.cobble$/i.test(path)) throw new InputError('bad-usage', `--out writes shapes as .svg or a job as .cobble, not ‘${path}’.`);
  const { writeBundle } = await import('../core/formats/bundle');
  return writeBundle(jobOfDrawing(svg, { input }));
}
