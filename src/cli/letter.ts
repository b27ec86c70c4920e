import { landTexts } from '../core/forecast/landTexts';
import { readLetterArgs } from './args';
import { faceAsked } from './faceFont';
import { jobFor } from './letterJob';
import { lettersOfList } from './letterList';
import { formatsOf } from './outFormats';
import { writePlan } from './plan';

/** `bin/cobble letter`: a text, or a list of names, as jobs. */
export async function letterCommand(argv: readonly string[]): Promise<number> {
  const began = performance.now();
  const args = readLetterArgs(argv);
  formatsOf(args.out);
  const drawn = await faceAsked(args.text.face);
  if (args.names) return lettersOfList({ ...args, drawn }, args.names);
  const job = jobFor({ ...args, drawn }, args.text.text!);
  // As quick as can be means as drawn.
  await writePlan({ job: args.quick || args.asDrawn ? job : landTexts(job), artwork: {} }, args, began);
  return 0;
}
