/** A title as the name of a file, on any system. */
export function cleanFileName(title: string): string {
  const name = title
    .replace(/[^\p{L}\p{N} _-]+/gu, ' ')
    .trim()
    .replace(/\s+/g, '-')
  return name.slice(0, 60) || 'lesson'
}
