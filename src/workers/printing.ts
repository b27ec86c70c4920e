import { providePrinting, type PrintFont } from '@/core/formats/print/fonts';

async function asked(file: string): Promise<Response> {
  const answer = await fetch(`/print/${file}`);
  if (!answer.ok) throw new Error('The faces for print could not be read; reload the page and try again.');
  return answer;
}

/** The faces for print come from our own server, as they are needed. */
export const printingFromServer = (): void =>
  providePrinting({
    index: async () => (await (await asked('index.json')).json()) as PrintFont[],
    load: async (file) => new Uint8Array(await (await asked(file)).arrayBuffer()),
  });
