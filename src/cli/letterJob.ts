import type { Job } from '../core/document/types';
import { heightForWidth, jobOfText } from '../core/lettering/textJob';
import type { readLetterArgs } from './args';
import { tied } from './load';
import { inFace, type AskedFace } from './faceFont';

export type DrawnArgs = ReturnType<typeof readLetterArgs> & { drawn: AskedFace };

/** A job of one text, as asked for; a name of a list may have a size and a colour of its own. */
export function jobFor(args: DrawnArgs, text: string, { size, hex = args.hex }: { size?: number; hex?: string } = {}): Job {
  const laid = inFace({ ...args.text, text, height: size ?? args.text.height ?? 10 }, args.drawn);
  const height = args.width === undefined || size !== undefined ? laid.height : heightForWidth(laid, args.width);
  const job = jobOfText({
    id: 'headless',
    name: text.replace(/\s+/g, ' ').slice(0, 120),
    text: { ...laid, height },
    brief: { ...(args.cloth ? { cloth: args.cloth } : {}), ...(args.hoop ? { hoop: args.hoop } : {}) },
    ...(args.threadWeight === undefined ? {} : { threadWeight: args.threadWeight }),
    ...(hex === undefined ? {} : { hex }),
  });
  return tied(job, args);
}
