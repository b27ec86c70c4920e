/** The build of pdfmake that needs no Node and no page. */
declare module 'pdfmake/build/pdfmake.min.js' {
  import type { TDocumentDefinitions } from 'pdfmake/interfaces';

  const pdfMake: {
    virtualfs: { writeFileSync(name: string, data: Uint8Array): void };
    addFonts(fonts: Record<string, Record<'normal' | 'bold', string>>): void;
    createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Uint8Array> };
  };
  export default pdfMake;
}
