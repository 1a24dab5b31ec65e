const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

const two = (n: number) => String(n).padStart(2, '0');

/** A moment as nobody can misread it, by the clock of the place: 25 Nov 2026, 08:04. */
export function when(instant: string) {
  const d = new Date(instant);
  return `${d.getDate()} ${MONTHS[d.getMonth()]} ${d.getFullYear()}, ${two(d.getHours())}:${two(d.getMinutes())}`;
}

const KILO = 1024;
const UNITS = ['octets', 'kB', 'MB', 'GB', 'TB'];

/** Octets in the unit in which they read best: 0.8 MB, 78 GB. */
export function size(octets: number) {
  const power = octets < 1 ? 0 : Math.min(UNITS.length - 1, Math.floor(Math.log(octets) / Math.log(KILO)));
  const value = octets / KILO ** power;
  return `${value < 10 && power > 0 ? value.toFixed(1) : Math.floor(value)} ${UNITS[power]}`;
}
