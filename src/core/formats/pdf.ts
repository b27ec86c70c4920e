import { PDFDocument, StandardFonts, rgb, type PDFFont, type PDFPage } from 'pdf-lib';
import { recipeFor, stabilizerFor } from '../cloth/house';
import type { Job } from '../document/types';
import { drawSewn } from '../render/picture';
import { hexToRgb } from '../render/raster';
import { SEVERITIES, type Finding, type Severity } from '../proof/finding';
import { CHECKS } from '../proof/registry';
import { measurePlan } from '../plan/measure';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { counted } from '../units/count';
import { formatDuration } from '../units/length';
import { writePng } from './png';

const PAGE = { width: 595, height: 842, margin: 48 };
const POINTS_PER_MM = 72 / 25.4;
/** Largest side of the picture on the page, mm; designs up to it are printed at real size. */
const PICTURE_MM = 120;
const CAUTION = [
  'Trace the hoop before the first run so that the needle cannot hit the frame; keep fingers away from a moving needle;',
  'follow the machine’s manual and your local rules.',
];

/** The built-in faces know only Western European letters; others are shown as a question mark. */
const plain = (text: string): string => text.replace(/[^\x20-\x7e\u00a0-\u00ff\u2013\u2014\u2018\u2019\u201c\u201d\u2022]/g, '?');

interface Pen {
  page: PDFPage;
  text: PDFFont;
  bold: PDFFont;
  y: number;
}

function write(pen: Pen, text: string, x: number, size = 10, font = pen.text): void {
  pen.page.drawText(plain(text), { x, y: pen.y, size, font, color: rgb(0.11, 0.16, 0.17) });
}

/** A worksheet for the machine: the picture at real size, the figures, and the threads in sewing order. */
export async function writePdf(job: Job, plan: StitchPlan, findings?: readonly Finding[]): Promise<Uint8Array<ArrayBuffer>> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(plain(job.name));
  pdf.setCreationDate(new Date(0));
  pdf.setModificationDate(new Date(0));
  const pen: Pen = {
    page: pdf.addPage([PAGE.width, PAGE.height]),
    text: await pdf.embedFont(StandardFonts.Helvetica),
    bold: await pdf.embedFont(StandardFonts.HelveticaBold),
    y: PAGE.height - PAGE.margin - 12,
  };
  write(pen, job.name, PAGE.margin, 18, pen.bold);
  await picture(pdf, pen, job, plan);
  figures(pen, job, plan);
  threads(pdf, pen, job, plan);
  openFindings(pdf, pen, findings);
  acceptances(pdf, pen, job);
  return (await pdf.save()) as Uint8Array<ArrayBuffer>;
}

async function picture(pdf: PDFDocument, pen: Pen, job: Job, plan: StitchPlan): Promise<void> {
  const raster = drawSewn(job, plan, 8, 3);
  const image = await pdf.embedPng(writePng(raster));
  const [w, h] = [raster.width / 8, raster.height / 8];
  const shrink = Math.min(1, PICTURE_MM / Math.max(w, h));
  const size = { width: w * shrink * POINTS_PER_MM, height: h * shrink * POINTS_PER_MM };
  pen.y -= size.height + 14;
  pen.page.drawImage(image, { x: PAGE.margin, y: pen.y, ...size });
  pen.y -= 14;
  write(pen, shrink === 1 ? 'Printed at real size.' : `Printed at ${Math.round(shrink * 100)} % of real size.`, PAGE.margin, 8);
}

function figures(pen: Pen, job: Job, plan: StitchPlan): void {
  const f = measurePlan(job, plan);
  const recipe = recipeFor(job.brief);
  const rows: [string, string][] = [
    ['Size', `${f.widthMm.toFixed(1)} x ${f.heightMm.toFixed(1)} mm in a hoop of ${job.brief.hoop.width} x ${job.brief.hoop.height} mm`],
    [
      'Stitches',
      `${f.stitches}, ${counted(f.trims, 'trim')}, ${counted(f.colourChanges, 'thread change')}, longest stitch ${f.longestStitchMm.toFixed(1)} mm`,
    ],
    ['Time', `${formatDuration(f.runSeconds)} at ${recipe.speed} stitches a minute`],
    ['Thread', `${f.upperThreadM.toFixed(1)} m above, ${f.bobbinThreadM.toFixed(1)} m below`],
    ['Cloth', `${recipe.name}; stabilizer ${stabilizerFor(recipe, job.settings)}; topping ${recipe.topping}; needle ${recipe.needle}`],
    ['Quantity', String(job.brief.quantity)],
  ];
  pen.y -= 12;
  for (const [name, value] of rows) {
    pen.y -= 15;
    write(pen, name, PAGE.margin, 10, pen.bold);
    write(pen, value, PAGE.margin + 70);
  }
  pen.y -= 8;
  for (const line of CAUTION) {
    pen.y -= 10;
    write(pen, line, PAGE.margin, 8);
  }
}

/** Threads in the order in which the machine asks for them. */
function threads(pdf: PDFDocument, pen: Pen, job: Job, plan: StitchPlan): void {
  const order: number[] = [];
  for (let i = 0; i < plan.thread.length; i++) {
    if (plan.command[i] === Command.stitch && order[order.length - 1] !== plan.thread[i]) order.push(plan.thread[i]!);
  }
  pen.y -= 12;
  order.forEach((index, i) => {
    nextLine(pdf, pen, 16);
    const thread = job.threads[index]!;
    const { r, g, b } = hexToRgb(thread.hex);
    write(pen, String(i + 1), PAGE.margin);
    pen.page.drawRectangle({
      x: PAGE.margin + 22,
      y: pen.y - 2,
      width: 26,
      height: 11,
      color: rgb(r / 255, g / 255, b / 255),
      borderColor: rgb(0.5, 0.5, 0.5),
      borderWidth: 0.5,
    });
    write(pen, `${thread.code}  ${thread.name}, ${thread.weight} wt`, PAGE.margin + 58);
  });
}

/** Goes down a line, onto a new page where the present one ends. */
function nextLine(pdf: PDFDocument, pen: Pen, height: number): void {
  pen.y -= height;
  if (pen.y >= PAGE.margin) return;
  pen.page = pdf.addPage([PAGE.width, PAGE.height]);
  pen.y = PAGE.height - PAGE.margin;
}

const LONGEST_LINE = 105;
const SEVERITY_WORDS: Record<Severity, string> = { stop: 'SEVERE', warn: 'Warning', note: 'Note' };

function paragraph(pdf: PDFDocument, pen: Pen, text: string): void {
  for (let at = 0; at < text.length; at += LONGEST_LINE) {
    nextLine(pdf, pen, 12);
    write(pen, text.slice(at, at + LONGEST_LINE), PAGE.margin, 9);
  }
}

/** What the proof found and nobody has mended or accepted; that nobody looked is said as well. */
function openFindings(pdf: PDFDocument, pen: Pen, findings: readonly Finding[] | undefined): void {
  const open = (findings ?? []).filter((f) => f.accepted === undefined);
  nextLine(pdf, pen, 22);
  const title = findings === undefined ? 'Not proved' : open.length === 0 ? 'Proved: nothing was found' : `Open findings: ${open.length}`;
  write(pen, title, PAGE.margin, 10, pen.bold);
  for (const severity of SEVERITIES)
    for (const f of open.filter((o) => o.severity === severity)) paragraph(pdf, pen, `${SEVERITY_WORDS[severity]}: ${f.message}`);
}

/** What the proof found and a person lives with, so that nobody at the machine takes it for a mistake. */
function acceptances(pdf: PDFDocument, pen: Pen, job: Job): void {
  const accepted = job.accepted ?? [];
  if (accepted.length === 0) return;
  nextLine(pdf, pen, 22);
  write(pen, 'Known and accepted', PAGE.margin, 10, pen.bold);
  for (const { rule, pieces, reason } of accepted) {
    const title = CHECKS.find((c) => c.rule === rule)?.title ?? rule;
    const names = job.pieces.filter((p) => pieces.includes(p.id)).map((p) => p.name);
    const text = `${title}${names.length > 0 ? ` (${names.slice(0, 4).join(', ')}${names.length > 4 ? ', ...' : ''})` : ''}: ${reason}`;
    paragraph(pdf, pen, text);
  }
}
