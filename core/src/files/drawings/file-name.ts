/** A file name from the maker's names: letters and digits of any script, everything else a dash; never empty. */
export function fileName(parts: readonly string[], ending: string): string {
  const stem = parts
    .map(p =>
      p
        .trim()
        .toLowerCase()
        .replace(/[^\p{L}\p{N}.]+/gu, '-')
        .replace(/^[-.]+|[-.]+$/g, ''),
    )
    .filter(p => p !== '')
    .join('_');
  return `${stem.slice(0, 120) || 'machine'}.${ending}`;
}
