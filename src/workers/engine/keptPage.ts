import type { PicturePreparation } from '@/core/document/types';
import { preparedPicture } from '@/core/tracing/page/prepare';
import type { Picture } from '@/core/tracing/picture';
import { decoded } from './decode';

let last: { key: string; page: Picture } | null = null;

/** A picture as it is laid out; the last one is kept, since a hand that points at it asks again and again. */
export async function keptPage(bytes: Uint8Array<ArrayBuffer>, name: string, prepared: PicturePreparation): Promise<Picture> {
  const key = `${name}|${await digest(bytes)}|${JSON.stringify(prepared)}`;
  if (last?.key === key) return last.page;
  const { picture } = await decoded(bytes, name);
  last = { key, page: preparedPicture(picture, prepared).picture };
  return last.page;
}

const digest = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> =>
  new Uint8Array(await crypto.subtle.digest('SHA-256', bytes)).join(',');
