import { expect, it } from 'vitest';
import { quoted } from './run';

it.each([
  ['Dawn', '"Dawn"'],
  ['  Dawn ', '"Dawn"'],
  ['the "big" one', '"the ""big"" one"'],
  ['two\r\nlines', '"two lines"'],
])('%j', (name, line) => expect(quoted(name)).toBe(line));
