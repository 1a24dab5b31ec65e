import type { FixtureView } from '../../api/client';
import type { Edit, Row } from '../../api/commands';

export type ColumnKey =
  | 'number'
  | 'name'
  | 'profile'
  | 'mode'
  | 'address'
  | 'slots'
  | 'position'
  | 'purpose'
  | 'notes'
  | 'inverted'
  | 'gel'
  | 'answer';

export interface Column {
  key: ColumnKey;
  text: string;
  /** Width as a grid track. */
  track: string;
  mono?: boolean;
  /** What the table shows and copies. */
  value: (f: FixtureView) => string;
  /** Whether it can be written here, in all rows held. */
  fills?: boolean;
  /** How a pasted cell becomes part of a row. */
  row?: (value: string) => Partial<Row>;
}

export const COLUMNS: Column[] = [
  {
    key: 'number',
    text: 'No.',
    track: '52px',
    mono: true,
    value: (f) => String(f.number),
    fills: true,
    row: (v) => ({ newNumber: Number(v) }),
  },
  {
    key: 'name',
    text: 'Name',
    track: 'minmax(80px,1.2fr)',
    value: (f) => f.name,
    fills: true,
    row: (v) => ({ name: v }),
  },
  {
    key: 'profile',
    text: 'Profile',
    track: 'minmax(90px,1.3fr)',
    value: (f) => f.profile,
    row: (v) => ({ profile: v }),
  },
  { key: 'mode', text: 'Mode', track: 'minmax(60px,0.8fr)', value: (f) => f.mode },
  {
    key: 'address',
    text: 'Address',
    track: 'minmax(84px,0.9fr)',
    mono: true,
    value: (f) => f.address,
    fills: true,
    row: (v) => ({ address: v }),
  },
  { key: 'slots', text: 'Slots', track: '42px', mono: true, value: (f) => String(f.slots) },
  {
    key: 'position',
    text: 'Position',
    track: 'minmax(60px,0.9fr)',
    value: (f) => f.position,
    fills: true,
    row: (v) => ({ position: v }),
  },
  {
    key: 'purpose',
    text: 'Purpose',
    track: 'minmax(56px,0.9fr)',
    value: (f) => f.purpose,
    fills: true,
    row: (v) => ({ purpose: v }),
  },
  {
    key: 'notes',
    text: 'Notes',
    track: 'minmax(70px,1fr)',
    value: (f) => f.notes,
    fills: true,
    row: (v) => ({ notes: v }),
  },
  {
    key: 'inverted',
    text: 'Inverted',
    track: '78px',
    value: (f) => [f.panInverted && 'pan', f.tiltInverted && 'tilt'].filter(Boolean).join(' + '),
  },
  { key: 'gel', text: 'Gel', track: 'minmax(70px,0.8fr)', value: (f) => f.gel },
  {
    key: 'answer',
    text: 'Answered',
    track: '78px',
    value: (f) => (f.answer === 'not tried' ? '' : `${f.answer}${f.answerNote ? `: ${f.answerNote}` : ''}`),
  },
];

const USUAL: ColumnKey[] = ['number', 'name', 'profile', 'mode', 'address', 'slots', 'position', 'purpose'];
const KEY = 'loculus-patch-columns';

export function storedColumns(): ColumnKey[] {
  try {
    const stored = JSON.parse(window.localStorage.getItem(KEY) ?? '[]') as ColumnKey[];
    const known = COLUMNS.map((c) => c.key).filter((k) => stored.includes(k));
    return known.length > 0 ? known : USUAL;
  } catch {
    return USUAL;
  }
}

export function storeColumns(keys: ColumnKey[]) {
  window.localStorage.setItem(KEY, JSON.stringify(keys));
}

const addressOrder = (f: FixtureView) =>
  f.claims[0] ? f.claims[0].universe * 1000 + f.claims[0].from : Infinity;

export function comparedBy(key: ColumnKey): (a: FixtureView, b: FixtureView) => number {
  if (key === 'address') return (a, b) => addressOrder(a) - addressOrder(b);
  if (key === 'number' || key === 'slots') return (a, b) => a[key] - b[key];
  const value = COLUMNS.find((c) => c.key === key)!.value;
  const collator = new Intl.Collator(undefined, { numeric: true });
  return (a, b) => collator.compare(value(a), value(b));
}

/** Writes one column down fixtures; an empty address takes addresses away. */
export const written = (numbers: number[], key: ColumnKey, value: string, step?: number): Edit =>
  key === 'address' && !value.trim()
    ? { type: 'unpatch', numbers }
    : { type: 'fill', numbers, column: key, value: value.trim(), step };
