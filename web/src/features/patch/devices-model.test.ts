import { describe, expect, it } from 'vitest';
import type { DeviceRowView, DevicesView } from '../../api/client';
import { chosen, everything, stepped, told } from './devices-model';

const row = (key: string, settable: boolean, takeable: boolean, faults: string[] = []): DeviceRowView => ({
  key,
  number: Number(key),
  name: '',
  type: '',
  patched: '1.1',
  faults,
  words: [],
  by: '',
  known: false,
  settable,
  takeable,
});

const rows = [
  row('1', true, true),
  row('2', false, true, ['wrong line']),
  row('3', false, false, ['missing']),
];

const view = (of: DeviceRowView[]): DevicesView => ({
  searchedAt: '2026-12-01T12:00:00Z',
  lines: 1,
  busMillis: 12,
  counts: { found: 2, right: 0, kept: 0, shown: 0 },
  rows: of as DevicesView['rows'],
  words: [],
  problems: [],
});

describe('devices', () => {
  it('takes the word of each row only where that is possible', () => {
    expect(chosen(rows, { '1': 'patch', '2': 'patch', '3': 'device', '9': 'device' })).toEqual({
      set: ['1'],
      take: [],
    });
    expect(chosen(rows, { '1': 'device', '2': 'device' })).toEqual({ set: [], take: ['1', '2'] });
  });

  it('chooses everything of which one side may be right', () => {
    expect(everything(rows, 'patch')).toEqual({ '1': 'patch' });
    expect(everything(rows, 'device')).toEqual({ '1': 'device', '2': 'device' });
  });

  it('tells how the search went', () => {
    expect(told(view(rows))).toBe('2 devices on 1 line, 0 as patched, 1 missing');
    expect(told(view([]))).toBe('2 devices on 1 line, 0 as patched');
  });

  it('steps through rows and stays within them', () => {
    expect(stepped(rows, '1', 1)).toBe('2');
    expect(stepped(rows, '3', 1)).toBe('3');
    expect(stepped(rows, 'gone', 1)).toBe('1');
    expect(stepped([], '1', 1)).toBe('');
  });
});
