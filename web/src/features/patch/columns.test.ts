import { describe, expect, it } from 'vitest';
import { fixture } from '../../testing/views';
import { COLUMNS, comparedBy, written } from './columns';

const sorted = (key: Parameters<typeof comparedBy>[0], all: ReturnType<typeof fixture>[]) =>
  [...all].sort(comparedBy(key)).map((f) => f.number);

describe('rows in order', () => {
  const at = (number: number, universe: number, from: number) =>
    fixture({
      number,
      address: `${universe}.${from}`,
      claims: [{ universe, from, to: from, shared: false }],
    });

  it('of addresses go by universe and slot, not by letters; who has none comes last', () => {
    const all = [at(1, 10, 1), at(2, 2, 500), at(3, 2, 9), fixture({ number: 4, claims: [], address: '' })];
    expect(sorted('address', all)).toEqual([3, 2, 1, 4]);
  });

  it('of numbers go by size', () => {
    expect(
      sorted(
        'number',
        [10, 9, 100].map((number) => fixture({ number })),
      ),
    ).toEqual([9, 10, 100]);
  });

  it('of names count the figures in them', () => {
    const all = ['Par 10', 'Par 9', 'Par 1'].map((name, i) => fixture({ number: i + 1, name }));
    expect(sorted('name', all)).toEqual([3, 2, 1]);
  });
});

describe('what is written down a column', () => {
  it('is an edit of all of them, without the blanks around it', () => {
    expect(written([1, 2], 'position', ' Bridge 1 ')).toEqual({
      type: 'fill',
      numbers: [1, 2],
      column: 'position',
      value: 'Bridge 1',
      step: undefined,
    });
    expect(written([1, 2], 'name', 'Wash 1', 1)).toMatchObject({ type: 'fill', step: 1 });
  });

  it('takes addresses away when the address is empty, and only then', () => {
    expect(written([1, 2], 'address', ' ')).toEqual({ type: 'unpatch', numbers: [1, 2] });
    expect(written([1, 2], 'notes', '')).toMatchObject({ type: 'fill', value: '' });
  });

  it('is possible in those columns that take pasted cells, too', () => {
    const fills = COLUMNS.filter((c) => c.fills).map((c) => c.key);
    const rows = COLUMNS.filter((c) => c.row).map((c) => c.key);
    expect(rows).toEqual(expect.arrayContaining(fills));
    expect(COLUMNS.find((c) => c.key === 'number')!.row!('12')).toEqual({ newNumber: 12 });
  });
});

it('what was answered stands with its note, and nothing where nobody tried', () => {
  const answered = COLUMNS.find((c) => c.key === 'answer')!.value;
  expect(answered(fixture({ answer: 'not tried' }))).toBe('');
  expect(answered(fixture({ answer: 'dead' }))).toBe('dead');
  expect(answered(fixture({ answer: 'wrong', answerNote: 'lights 8' }))).toBe('wrong: lights 8');
});
