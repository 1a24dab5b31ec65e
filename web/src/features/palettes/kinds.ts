export const KINDS = ['intensity', 'position', 'colour', 'beam', 'shape', 'control', 'combined'] as const;
export type Kind = (typeof KINDS)[number];

export const called = (kind: string) => kind.charAt(0).toUpperCase() + kind.slice(1);

/** A palette as the line names it. */
export const lineOf = (p: { kind: string; number: number }) => `${p.kind} ${p.number}`;

/** Two letters, told apart where there is no room for the word. */
export const SHORT: Record<string, string> = {
  intensity: 'In',
  position: 'Po',
  colour: 'Co',
  beam: 'Be',
  shape: 'Sh',
  control: 'Ct',
  combined: 'All',
};

/** How the grade of a colour difference is written, by its word. */
export const GRADE_INK: Record<string, string> = {
  exact: 'text-moss',
  match: 'text-moss',
  close: 'text-ochre',
  'needs a look': 'text-ochre font-bold',
};
