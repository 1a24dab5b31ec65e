import { describe, expect, it } from 'vitest';
import { chartLine, rangesText, slotSpans, slotsOf } from './draft-model';
import { browsed, matches, type Summary } from './profiles-model';

const profile = (of: Partial<Summary>): Summary =>
  ({ maker: 'Northlamp', name: 'Skiff Wash', family: 'wash', inUse: 0, modes: [], ...of }) as Summary;

describe('profiles are found', () => {
  const wash = profile({ modes: [{ name: 'extended', slots: 18 }] as Summary['modes'] });

  it.each([
    ['', true],
    ['skiff', true],
    ['WASH north', true],
    ['extended 18', true],
    ['skiff 19', false],
  ])('%s: %s', (find, found) => expect(matches(wash, find)).toBe(found));

  it('and stand under heads, those in use by themselves', () => {
    const all = [profile({ name: 'A', maker: 'Zet' }), profile({ name: 'B', inUse: 3 })];
    expect(browsed(all, 'use').map((g) => g.name)).toEqual(['Library', 'In use in this show']);
    expect(browsed(all, 'maker').map((g) => g.name)).toEqual(['Northlamp', 'Zet']);
  });
});

describe('the chart of a draft', () => {
  const channel = (octets: number, inCell = false) => ({ octets, inCell, attribute: 'Pan' });
  const mode = (cells: number, ...channels: ReturnType<typeof channel>[]) => ({ cells, channels }) as never;

  it('counts slots, those of cells as often as there are cells', () => {
    expect(slotsOf(mode(0, channel(1), channel(2)))).toBe(3);
    expect(slotsOf(mode(4, channel(1), channel(1, true)))).toBe(5);
    expect(slotsOf(mode(0, channel(1, true)))).toBe(1);
  });

  it('says where each channel lies', () => {
    expect(slotSpans(mode(0, channel(1), channel(2), channel(1)))).toEqual(['1', '2–3', '4']);
  });

  it('writes ranges and lines as they are read', () => {
    const ranges = [
      { from: 0, to: 15, name: 'closed', colour: '' },
      { from: 16, to: 255, name: 'open', colour: '#ffffff' },
    ];
    expect(rangesText(ranges as never)).toBe('0-15 closed, 16-255 open #ffffff');
    expect(chartLine(channel(2) as never, '0-255')).toBe('Pan 16: 0-255');
    expect(chartLine(channel(1) as never, 'x')).toBe('Pan: x');
  });
});
