import { describe, expect, it } from 'vitest';
import { cue } from '../../testing/views';
import { follows, length, nextWords, pastedTimes, scaleOf, seconds } from './looks-model';

it.each([
  [0, '0'],
  [2.5, '2.5'],
  [2.499, '2.5'],
  [59, '59'],
  [60, '1:00'],
  [65.5, '1:05.5'],
  [90.5, '1:30.5'],
  [119.99, '2:00'],
  [605, '10:05'],
])('%f s is written %s', (value, words) => {
  expect(seconds(value)).toBe(words);
});

describe('when things happen', () => {
  const long = cue({ waits: 2, rises: 3, falls: 8, others: 5 });

  it('a cue is there when the slowest of it has come, its wait before', () => expect(length(long)).toBe(10));

  it.each([
    ['press', 0, null],
    ['begin', 4, 4],
    ['end', 0, 10],
    ['end', 1.5, 11.5],
  ] as const)('the next one after %s and %f s', (next, after, wanted) =>
    expect(follows({ ...long, next, after })).toBe(wanted),
  );

  it.each([
    ['press', 0, ''],
    ['begin', 0, 'next starts with it'],
    ['end', 0, 'next follows on'],
    ['begin', 4, 'next follows 4 s after start'],
    ['end', 70, 'next follows 1:10 s after end'],
  ] as const)('is said: %s %f', (next, after, words) => expect(nextWords(cue({ next, after }))).toBe(words));

  it('the scale shows all of the longest, on a round figure', () => {
    expect(scaleOf([])).toBe(5);
    expect(scaleOf([cue({ rises: 6 }), cue({})])).toBe(10);
    expect(scaleOf([cue({ next: 'begin', after: 45 })])).toBe(60);
    expect(scaleOf([cue({ rises: 9999 })])).toBe(9999);
  });
});

describe('times from a sheet', () => {
  const cues = ['1', '2', '2.5', '3'].map((number, id) => cue({ id, number }));
  const said = (text: string, from = 0) => {
    const { lines, wrong } = pastedTimes(text, cues, from);
    return [
      ...lines.map((l) => `${l.cue.number}: ${l.times}${l.name === null ? '' : ` “${l.name}”`}`),
      ...wrong,
    ];
  };

  it('without heads go down from the row that is held: in, out, rest, wait', () => {
    expect(said('3\t4\t5\t1\n2', 1)).toEqual(['2: in 3 out 4 rest 5 wait 1', '2.5: in 2']);
  });

  it('with heads go where the heads say', () => {
    expect(said('Cue\tOut\tName\r\n2.5\t4,5\tStorm\r\n1\t\tDawn\r\n')).toEqual([
      '2.5: out 4.5 “Storm”',
      '1:  “Dawn”',
    ]);
  });

  it('say which rows they cannot place', () => {
    expect(said('cue\tin\n7\t3')).toEqual(['There is no cue 7.']);
    expect(said('1\n2', 3)).toEqual(['3: in 1', 'Row 2 is behind the last cue.']);
  });

  it('leave out empty rows', () => expect(said('\n\n3\n\n')).toEqual(['1: in 3']));
});
