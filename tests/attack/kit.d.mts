export function randomOf(seed: number): () => number;
