import { describe, expect, it } from 'vitest';
import { asCount, asNumber, asText, asTime, orEmpty, type Reader } from './reading';

const read = (reader: Reader, typed: string) => {
  const found = reader(typed);
  return 'text' in found ? found.text : 'refused';
};

describe('a field takes a value and no more of the line', () => {
  it.each([
    ['3', '3'],
    [' 2,5 ', '2.5'],
    ['-12', '-12'],
    ['+4', '4'],
    ['.5', '.5'],
    ['3 out 9', 'refused'],
    ['3; delete cue 1', 'refused'],
    ['3\ngo', 'refused'],
    ['', 'refused'],
    ['1:30', 'refused'],
    ['12e3', 'refused'],
  ])('%j as a number', (typed, wanted) => expect(read(asNumber, typed)).toBe(wanted));

  it.each([
    ['3', '3'],
    ['1:30', '1:30'],
    ['0:05,5', '0:05.5'],
    ['1:75', 'refused'],
    ['-3', 'refused'],
    ['3 out 9', 'refused'],
    ['off', 'refused'],
  ])('%j as a time', (typed, wanted) => expect(read(asTime, typed)).toBe(wanted));

  it.each([
    ['2', '2'],
    ['0', 'refused'],
    ['2.5', 'refused'],
    ['two', 'refused'],
  ])('%j as a count', (typed, wanted) => expect(read(asCount, typed)).toBe(wanted));
});

it('nothing may be meant where it is said so', () => {
  expect(read(orEmpty(asTime, 'off'), ' ')).toBe('off');
  expect(read(orEmpty(asTime, 'off'), '4')).toBe('4');
  expect(read(orEmpty(asTime, 'off'), 'x')).toBe('refused');
  expect(read(asText, ' a name ')).toBe('a name');
});
