/** The places that a job walks through, in order; the shelf comes before them. */
export const PLACES = [
  { key: 'brief', name: 'Brief', question: 'What must it be?' },
  { key: 'art', name: 'Art', question: 'Will the artwork sew at this size?' },
  { key: 'bench', name: 'Bench', question: 'How is it sewn?' },
] as const;
export type PlaceKey = (typeof PLACES)[number]['key'];

export const isPlace = (text: string): text is PlaceKey => PLACES.some((p) => p.key === text);
export const placeHref = (id: string, place: PlaceKey): string => `/job/${encodeURIComponent(id)}/${place}`;
