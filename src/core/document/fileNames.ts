const LONGEST = 100;

/** A file's name as a job may name its artwork: no folders, no control characters, nothing that means another folder, and not long. */
export function artworkName(name: string): string {
  const clean = name
    .replace(/[/\\\u0000-\u001f\u007f]/g, '-')
    .replace(/\.{2,}/g, '.')
    .slice(-LONGEST);
  return /[\p{L}\p{N}]/u.test(clean) && clean !== '__proto__' ? clean : 'artwork.svg';
}
