/** "heron-wing_left" becomes "Heron wing left"; machine-made ids become nothing. */
export function readable(id: string): string {
  const words = id.replace(/[-_]+/g, ' ').replace(/\s+/g, ' ').trim();
  if (
    words === '' ||
    /^(path|rect|circle|ellipse|polygon|polyline|line|g|group|layer|svg|use|xmlid|shape)\s*\d*/i.test(words) ||
    /\d{3,}/.test(words)
  )
    return '';
  return words.charAt(0).toUpperCase() + words.slice(1).slice(0, 39);
}
