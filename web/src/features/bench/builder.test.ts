import { expect, it } from 'vitest';
import { asked, KINDS, type Condition } from './builder';

const of = (...conditions: Partial<Condition>[]) => ({
  open: true,
  of: 'all' as const,
  join: 'and' as const,
  conditions: conditions.map((c) => ({ not: false, kind: 'lit', value: '', ...c })),
});

it.each([
  [of({}), 'all where lit'],
  [of({ not: true }), 'all where not lit'],
  [of({ kind: 'level', value: '20 - 60' }), 'all where at 20 thru 60'],
  [of({ kind: 'uses', value: 'colour 3' }), 'all where uses colour 3'],
  [of({ kind: 'group', value: '2', not: true }), 'all where not in group 2'],
  [of({ kind: 'universe', value: '4' }), 'all where universe 4'],
  [of({ kind: 'position', value: 'Bridge "1"' }), 'all where position "Bridge ""1"""'],
  [{ ...of({}, { kind: 'dark' }), join: 'or' as const, of: 'hand' as const }, 'hand where lit or dark'],
])('%j', (builder, line) => expect(asked(builder)).toBe(line));

it('nothing is asked as long as something is missing', () => {
  for (const { kind, needs } of KINDS)
    expect(asked(of({}, { kind, not: true })) === '', kind).toBe(needs !== undefined);
});
