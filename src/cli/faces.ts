import { FACES, markedOf, signsOf } from '../core/lettering/faces';
import { readFacesArgs } from './args';
import { writeAll } from './files';

const WEIGHTS = [40, 60] as const;

/** `bin/cobble faces`: what can be written, and how small. */
export function facesCommand(argv: readonly string[]): Promise<number> {
  const { report } = readFacesArgs(argv);
  const signs = [...new Set([...signsOf(), ...markedOf(FACES[0]!)])];
  const faces = FACES.map((face) => ({
    name: face.key,
    title: face.name,
    native: true,
    glyphs: new Set([...signsOf(), ...markedOf(face)]).size,
    smallest_height_mm: face.smallest,
    says: face.says,
  }));
  if (report !== undefined) writeAll([{ path: report, content: `${JSON.stringify({ faces, signs: signs.join('') }, null, 1)}\n` }]);
  for (const f of faces) {
    const small = WEIGHTS.map((w) => `${f.smallest_height_mm[w]} mm in ${w} weight`).join(', ');
    process.stdout.write(`${f.name.padEnd(10)} from ${small}; ${f.says}\n`);
  }
  return Promise.resolve(0);
}
