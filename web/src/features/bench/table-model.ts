import type { Schemas } from '../../api/client';

type Cell = Schemas['ValueCell'];
type Column = Schemas['ValueColumn'];

/** How the table writes its cells. */
export const WAYS = [
  { value: 'values', text: 'values' },
  { value: 'palettes', text: 'palette names' },
  { value: 'numbers', text: 'palette numbers' },
  { value: 'both', text: 'values and palettes' },
  { value: 'physical', text: 'physical' },
  { value: 'slots', text: 'slots' },
] as const;
export type Way = (typeof WAYS)[number]['value'];

/** A cell in words; what no palette gives stays a value where palettes are asked for. */
export function written(cell: Cell, way: Way): string {
  const [number] = cell.palette.split(' ');
  switch (way) {
    case 'palettes':
      return cell.palette ? cell.palette.slice(number!.length + 1) || number! : cell.text;
    case 'numbers':
      return cell.palette ? number! : cell.text;
    case 'both':
      return cell.palette ? `${cell.text} · ${cell.palette}` : cell.text;
    case 'physical':
      return cell.physical;
    case 'slots':
      return cell.slots.replaceAll(/\d+\.(\d+ = )/g, '$1') || '—';
    default:
      return cell.text;
  }
}

/** The kinds that columns have, in their order. */
export const kindsOf = (columns: Column[]) => [...new Set(columns.map((c) => c.kind))];
