import { digitize } from '@/core/artwork/digitize';
import { readable } from '@/core/artwork/names';
import { readSvg } from '@/core/artwork/readSvg';
import { drawSewn, drawThumbnail } from '@/core/render/picture';
import { meetingsOf } from '@/core/editing/overlaps';
import { answerFor, sizeFacts, sizePlaces } from '@/core/artwork/sizeReport';
import { readBundle } from '@/core/formats/bundle';
import { readShelf, writeShelf } from '@/core/formats/shelf';
import { writePng } from '@/core/formats/png';
import { EXPORTS } from '@/core/formats/registry';
import { GALLERY, jobOfSample, SAMPLE_BOX } from '@/core/gallery/samples';
import { ofEach } from '@/core/geometry/known';
import { apply, inverse, ringsToData } from '@/core/geometry/path';
import type { Point } from '@/core/geometry/point';
import { simplify } from '@/core/geometry/area';
import { prepareShape } from '@/core/pieces/registry';
import { Planner } from '@/core/plan/planner';
import { proposeRoute } from '@/core/plan/proposeRoute';
import { measurePlan } from '@/core/plan/measure';
import { heatAreas, heatPixels, layersOf } from '@/core/render/heat';
import { letterHeightsOf } from '@/core/proof/letterForecast';
import { laidOn } from '@/core/pieces/prepare/laidOn';
import { WEIGHT_CELL_MM, weigh } from '@/core/stitches/weight';
import { correct } from '@/core/forecast/correct';
import { forecast } from '@/core/forecast/forecast';
import { SheetMemory } from '@/core/forecast/sheetMemory';
import { prove } from '@/core/proof/prove';
import { Command } from '@/core/stitches/roles';
import type { Job, Piece } from '@/core/document/types';
import { compared } from './compared';
import { PartSender, PlanSender } from './planWire';
import type { EngineRequest, PlaceView, RegionView, Survey, SurveyRequest, WiredPlanned } from './protocol';
import { serve, type Answer } from './serve';
import { WIDEST_SATIN_MM } from '@/core/units/craft';
import type { PlanPart } from '@/core/plan/delta';

const planner = new Planner();
/** What the last forecast went through, for the next. */
const memory = new SheetMemory();
/** The forecast takes about so much of the time of a proof. */
const FORECAST_SHARE = 0.7;
const THUMBNAIL_PX = 300;
const OUTLINE_TOLERANCE_MM = 0.05;

function survey(request: SurveyRequest, progress: (done: number) => void): Survey {
  const doc = readSvg(request.svg);
  const { art, report, drawn, proposals, threads, pieces, byRegion } = digitize(doc, { ...request, progress });
  const regions = report.regions.map((r, i): RegionView => ({
    name: readable(r.name),
    hex: r.hex,
    data: r.data,
    strokeWidthMm: r.stroke?.widthMm ?? null,
    areaMm2: r.areaMm2,
    width: r.width,
    kind: proposals[i]!.kind,
    why: proposals[i]!.why,
    piece: byRegion[i]!,
  }));
  const { specks, hidden, shading } = report;
  const answers = request.answers ?? [];
  const back = inverse(art.matrix);
  const places = sizePlaces(drawn).map((place): PlaceView => ({
    ...place,
    drawingAt: pairOf(apply(back, place.at)),
    answer: answerFor(place, answers, art.matrix),
  }));
  return {
    places,
    facts: sizeFacts(report.regions, request.settings.satinLimit ?? WIDEST_SATIN_MM),
    regions,
    specks,
    hidden,
    shading,
    threads,
    pieces,
    notes: [...doc.notes, ...[...art.leftOut].map(([name, why]) => ({ what: `‘${readable(name)}’ is left out: ${why}.`, count: 1 }))],
    widthMm: art.width,
    heightMm: art.height,
    transform: [...art.matrix],
  };
}

const pairOf = (p: Point): [number, number] => [p.x, p.y];

const outlineOf = ofEach((p: Piece) => ringsToData(simplify(prepareShape(p)?.painted ?? [], OUTLINE_TOLERANCE_MM)));

/** Outlines of a job's pieces; those that stood in the same place before are told by it. */
function outlinesOf(job: Job, before: readonly string[]): (string | number)[] {
  return job.pieces.map((p, i) => (outlineOf(p) === before[i] ? i : outlineOf(p)));
}

const plans = new PlanSender();
let outlinesSent: string[] = [];

/** A plan with what the Bench shows of it, as its difference from what the page holds. */
function plannedFor(
  job: Job,
  held: string | null,
  progress: (done: number) => void,
  send: (part: PlanPart, transfer: Transferable[]) => void,
): Answer<WiredPlanned> {
  const began = performance.now();
  const version = plans.nextVersion();
  const parts = new PartSender(version, send);
  const made = planner.plan(job, progress, (so, all) => parts.grown(so, all));
  const milliseconds = performance.now() - began;
  const { wired, transfer } = plans.wire(made, held, version);
  const outlines = outlinesOf(job, wired.base === null ? [] : outlinesSent);
  outlinesSent = job.pieces.map(outlineOf);
  return { output: { plan: wired, figures: measurePlan(job, made), outlines, milliseconds }, transfer };
}

serve<EngineRequest>({
  survey: (input, progress) => ({ output: survey(input, progress) }),
  plan: ({ job, held }, progress, part) => plannedFor(job, held, progress, part),
  weight: ({ job }) => {
    const weight = weigh(planner.plan(job), laidOn(job, planner.shape(job)));
    const layers = layersOf(weight) as Float32Array<ArrayBuffer>;
    const { left, top, columns, rows } = weight;
    const holes = weight.holes as Uint16Array<ArrayBuffer>;
    const raster = { width: columns, height: rows, data: heatPixels(layers), scale: 1 / WEIGHT_CELL_MM, left, top };
    const png = new Blob([writePng(raster) as Uint8Array<ArrayBuffer>], { type: 'image/png' });
    const output = { png, left, top, columns, rows, cellMm: WEIGHT_CELL_MM, layers, holes, areasMm2: heatAreas(layers) };
    return { output, transfer: [layers.buffer, holes.buffer] };
  },
  forecast: ({ job }, progress) => {
    const seen = forecast(job, { planner, progress, memory });
    return { output: { ...seen, letters: letterHeightsOf(job, planner.shape(job), seen) } };
  },
  correct: ({ job, only }, progress) => ({ output: correct(job, { planner, progress, ...(only ? { only } : {}) }) }),
  prove: ({ job }, progress) => {
    const plan = planner.plan(job);
    const seen = forecast(job, { planner, plan, memory, progress: (done) => progress(FORECAST_SHARE * done) });
    return { output: prove(job, planner, plan, seen, (done) => progress(FORECAST_SHARE + (1 - FORECAST_SHARE) * done)) };
  },
  compare: ({ a, b, side }, progress) => ({ output: compared(a, b, side, planner, progress) }),
  route: ({ job, policy }, progress) => ({ output: proposeRoute(job, policy, planner, progress) }),
  export: async ({ job, artwork, extension, findings }) => {
    const format = EXPORTS.find((f) => f.extension === extension)!;
    const content = await format.write({ job, plan: planner.plan(job), artwork, ...(findings ? { findings } : {}) });
    return { output: { data: new Blob([content], { type: format.mime }) } };
  },
  readFile: ({ bytes }) => {
    const shelf = readShelf(new Uint8Array(bytes));
    return { output: shelf ? { shelf } : { bundle: readBundle(new Uint8Array(bytes)) } };
  },
  writeShelf: ({ shelf }) => ({ output: { data: new Blob([writeShelf(shelf)], { type: 'application/zip' }) } }),
  meetings: ({ job }) => ({ output: meetingsOf(job.pieces.map((p) => prepareShape(p)?.painted ?? [])) }),
  effect: ({ job }) => ({ output: measurePlan(job, planner.plan(job)) }),
  preview: ({ job }) => {
    const plan = planner.plan(job);
    const moves: string[] = [];
    for (let i = 0; i < plan.x.length; i++) {
      if (plan.command[i]! > Command.jump) continue;
      moves.push(`${plan.command[i] === Command.jump ? 'M' : 'L'}${plan.x[i]!.toFixed(2)},${plan.y[i]!.toFixed(2)}`);
    }
    return { output: { path: moves.join(' '), stitches: measurePlan(job, plan).stitches } };
  },
  sample: ({ id, scale }) => {
    const job = jobOfSample(GALLERY.flatMap((g) => g.samples).find((s) => s.id === id)!);
    const plan = planner.plan(job);
    const raster = drawSewn(job, plan, scale, 0, SAMPLE_BOX);
    const png = new Blob([writePng(raster) as Uint8Array<ArrayBuffer>], { type: 'image/png' });
    return { output: { png, stitches: measurePlan(job, plan).stitches } };
  },
  thumbnail: ({ job }) => {
    const plan = planner.plan(job);
    const figures = measurePlan(job, plan);
    const raster = drawThumbnail(job, plan, THUMBNAIL_PX);
    return { output: { png: new Blob([writePng(raster) as Uint8Array<ArrayBuffer>], { type: 'image/png' }), figures } };
  },
});
