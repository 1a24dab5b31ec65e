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
