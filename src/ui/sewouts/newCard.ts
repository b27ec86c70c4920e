import type { Brief } from '@/core/document/types';
import { cardJob } from '@/core/sewouts/card/card';
import { keepNewJob } from '@/platform/storage/records';

/** Puts a calibration card for a cloth on the shelf. @returns its id @throws StorageError with a sentence for people */
export async function newCard({ cloth, recipe }: Pick<Brief, 'cloth' | 'recipe'>): Promise<string> {
  const id = crypto.randomUUID().slice(0, 8);
  await keepNewJob(cardJob(id, cloth, recipe), {}, Date.now());
  return id;
}
