import { say } from './say';
import { FACES, markedOf, signsOf } from '../core/lettering/faces';
import { foamHeight, tooThinForFoam } from '../core/lettering/foam';
import { SHIPPED_FACES } from '../core/lettering/outline/catalogue';
import { readFacesArgs } from './args';
import { fileOfFace } from './faceFont';
import { readBytes, writeAll } from './files';

const WEIGHTS = [40, 60] as const;

/** `bin/cobble faces`: what can be written, and how small. */
export async function facesCommand(argv: readonly string[]): Promise<number> {
  // Reading fonts is loaded only where it is needed: it is most of the program.
  const { readFont } = await import('../core/lettering/outline/readFont');
  const { report } = readFacesArgs(argv);
  const signs = [...new Set([...signsOf(), ...markedOf(FACES[0]!)])];
  const native = FACES.map((face) => ({
    name: face.key,
    title: face.name,
    native: true,
    glyphs: new Set([...signsOf(), ...markedOf(face)]).size,
    smallest_height_mm: face.smallest,
    foam: { from_mm: foamHeight(face), thinner: tooThinForFoam(face, foamHeight(face)).join('') },
    says: face.says,
  }));
  const shipped = SHIPPED_FACES.map((face) => ({
    name: face.key,
    title: face.name,
    native: false,
    glyphs: readFont(readBytes(fileOfFace(face)), face.file).count,
    smallest_height_mm: face.smallest,
    foam: { from_mm: face.foam },
    says: face.says,
  }));
  const faces = [...native, ...shipped];
  if (report !== undefined) writeAll([{ path: report, content: `${JSON.stringify({ faces, signs: signs.join('') }, null, 1)}\n` }]);
  for (const f of faces) {
    const small = WEIGHTS.map((w) => `${f.smallest_height_mm[w]} mm in ${w} weight`).join(', ');
    say(`${f.name.padEnd(10)} from ${small}; ${f.native ? '' : 'outlines: '}${f.says}\n`);
  }
  return 0;
}
