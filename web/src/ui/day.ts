/** `27 Nov` of a day as ISO 8601 has it; empty for none. */
export function day(iso: string): string {
  const date = new Date(`${iso.slice(0, 10)}T12:00:00`);
  return Number.isNaN(date.getTime())
    ? ''
    : date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
}
