import { jobOfSheet, SHEET_BOX } from '@/core/gallery/faceSheets';
import { measurePlan } from '@/core/plan/measure';
import { drawSewn } from '@/core/render/picture';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

/** A face sewn at four heights: its picture, and what it takes. */
export const faceSheet: Handler<'faceSheet'> = ({ texts, scale }, { progress }) => {
  const job = jobOfSheet(texts);
  const plan = planner.plan(job, progress);
  const { stitches, trims } = measurePlan(job, plan);
  return { output: { png: pngOf(drawSewn(job, plan, scale, 0, SHEET_BOX)), stitches, trims } };
};
