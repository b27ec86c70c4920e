/** The places that a job walks through, in order; the shelf comes before them. */
export const PLACES = [
  { key: 'brief', name: 'Brief', question: 'What must it be?' },
  { key: 'art', name: 'Art', question: 'Will the artwork sew at this size?' },
  { key: 'bench', name: 'Bench', question: 'How is it sewn?' },
  { key: 'sewouts', name: 'Sew-outs', question: 'What did the cloth say?' },
  { key: 'floor', name: 'Floor', question: 'How is it made?' },
] as const;
export type PlaceKey = (typeof PLACES)[number]['key'];

export const isPlace = (text: string): text is PlaceKey => PLACES.some((p) => p.key === text);
export const placeHref = (id: string, place: PlaceKey): string => `/job/${addressOf(id)}/${place}`;

/** Browsers take these out of addresses, however they are written. */
const DOTS: Record<string, string> = { '.': 'dot', '..': 'dotdot' };

/** A job's id as a part of an address; any id has one. */
const addressOf = (id: string): string => (DOTS[id] ? `~${DOTS[id]}` : encodeURIComponent(id.startsWith('~') ? `~${id}` : id));

/** The id that a part of an address stands for. */
export function idOfAddress(part: string): string {
  const text = decodeURIComponent(part);
  if (!text.startsWith('~')) return text;
  const rest = text.slice(1);
  return Object.keys(DOTS).find((id) => DOTS[id] === rest) ?? rest;
}
