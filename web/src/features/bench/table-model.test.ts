import { describe, expect, it } from 'vitest';
import { kindsOf, written } from './table-model';

const cell = {
  text: '30 %',
  physical: '12.5°',
  source: 'palette',
  palette: '12 Verdigris',
  touched: true,
  along: '',
  slots: '1.17 = 163 · 1.18 = 2',
};

describe('a cell of the table', () => {
  it.each([
    ['values', '30 %'],
    ['palettes', 'Verdigris'],
    ['numbers', '12'],
    ['both', '30 % · 12 Verdigris'],
    ['physical', '12.5°'],
    ['slots', '17 = 163 · 18 = 2'],
  ] as const)('as %s is %s', (way, words) => expect(written(cell, way)).toBe(words));

  it('keeps its value where no palette gives it', () => {
    const own = { ...cell, palette: '', slots: '' };
    expect(['palettes', 'numbers', 'both'].map((way) => written(own, way as never))).toEqual(
      Array(3).fill('30 %'),
    );
    expect(written(own, 'slots')).toBe('—');
  });
});

it('kinds stand once, in the order of the columns', () => {
  const column = (kind: string) => ({ attribute: kind, label: kind, kind });
  expect(kindsOf(['intensity', 'colour', 'colour', 'beam'].map(column))).toEqual([
    'intensity',
    'colour',
    'beam',
  ]);
});
