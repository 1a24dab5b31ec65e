import { describe, expect, it } from 'vitest';
import type { CheckRow } from '../../api/client';
import { found, leads, sections } from './check-model';

const row = (key: string, more: Partial<CheckRow> = {}): CheckRow => ({
  key,
  chapter: 'Patch',
  severity: 'needs-an-eye',
  words: 'Something.',
  beside: '',
  units: [],
  count: 0,
  spot: null,
  ways: [],
  aside: null,
  changed: null,
  ...more,
});

describe('finding among findings', () => {
  const of = row('a', { words: '703 “Strobe 3” has no address.', beside: 'Flint Strobe', units: ['703'] });
  it('takes words in whatever order and case', () => {
    expect(found(of, 'address strobe')).toBe(true);
    expect(found(of, '703 FLINT')).toBe(true);
    expect(found(of, 'address wash')).toBe(false);
    expect(found(of, '')).toBe(true);
  });
});

describe('sections', () => {
  const rows = [
    row('a', { units: ['12'] }),
    row('b', { chapter: 'Looks', units: ['2', '12.1'] }),
    row('c', { chapter: 'Looks' }),
  ];
  const aside = row('d', { aside: { reason: 'spare', on: '2026-11-27' } });

  it('stand by chapter with how many are open and set aside', () => {
    expect(
      sections(rows, [...rows, aside], 'chapter').map((s) => [s.heading, s.words, s.rows.length]),
    ).toEqual([
      ['Patch', '1 open · 1 set aside', 1],
      ['Looks', '2 open', 2],
    ]);
    expect(sections([aside], [aside], 'chapter')[0]!.words).toBe('1 set aside');
  });

  it('stand by fixture, cells under theirs, what names nobody last', () => {
    expect(
      sections(rows, rows, 'fixture').map((s) => [s.heading, s.rows.map((r) => r.key).join('')]),
    ).toEqual([
      ['2', 'b'],
      ['12', 'ab'],
      ['No fixture', 'c'],
    ]);
  });
});

describe('where a finding leads', () => {
  it('is the chapter, with what is to be looked at', () => {
    expect(leads({ what: 'beam', name: '3', list: '' })).toEqual({
      path: '/palettes',
      keep: [
        ['palettes kind', 'beam'],
        ['beam looked at', 3],
      ],
    });
    expect(leads({ what: 'submaster', name: '2', list: '' })!.keep).toEqual([
      ['look looked at', { kind: 'submaster', number: 2 }],
    ]);
    expect(leads({ what: 'effect', name: '4', list: '' })!.path).toBe('/looks?view=effects');
    expect(leads(null)).toBeNull();
  });
});
