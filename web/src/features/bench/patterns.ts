/** What patterns are called on their buttons, by how the line writes them. */
const NAMES: Record<string, string> = {
  'every 2': 'Every 2',
  'every 3': 'Every 3',
  'every 4': 'Every 4',
  'part 1 of 2': 'Half',
  'part 1 of 3': 'Third',
  'part 1 of 4': 'Quarter',
  'blocks of 2': 'Blocks 2',
  mirror: 'Mirror',
  reverse: 'Reverse',
  rows: 'Rows',
  columns: 'Columns',
  'columns of 6': 'Columns 6',
  'sort by outward': 'Outward',
};

export const PATTERNS = Object.keys(NAMES);
/** What there is room for beside the values. */
export const COMMON = [
  'every 2',
  'every 3',
  'part 1 of 2',
  'part 1 of 4',
  'blocks of 2',
  'mirror',
  'reverse',
];
export const nameOf = (words: string) => NAMES[words] ?? words;
export const ORDERS = ['number', 'across', 'along', 'up', 'outward'];
