import { create } from 'zustand';
import { quoted } from '../../doing/run';

/** One thing that is to be the case, or not. */
export interface Condition {
  not: boolean;
  kind: string;
  value: string;
}

interface Builder {
  open: boolean;
  /** Whether it was opened by its key, so that keys go on in it. */
  byKey: boolean;
  /** who is asked: everybody, or the selection */
  of: 'all' | 'hand';
  join: 'and' | 'or';
  conditions: Condition[];
}

export const useBuilder = create<Builder>(() => ({
  open: false,
  byKey: false,
  of: 'all',
  join: 'and',
  conditions: [{ not: false, kind: 'lit', value: '' }],
}));

/** Kinds of conditions: what they are called, and what more they need. */
export const KINDS: {
  kind: string;
  words: string;
  needs?: 'level' | 'palette' | 'effect' | 'group' | 'text';
}[] = [
  { kind: 'lit', words: 'lit' },
  { kind: 'dark', words: 'dark' },
  { kind: 'active', words: 'active' },
  { kind: 'level', words: 'at level', needs: 'level' },
  { kind: 'uses', words: 'using palette', needs: 'palette' },
  { kind: 'effect', words: 'using effect', needs: 'effect' },
  { kind: 'group', words: 'in group', needs: 'group' },
  { kind: 'type', words: 'of type', needs: 'text' },
  { kind: 'position', words: 'at position', needs: 'text' },
  { kind: 'purpose', words: 'for', needs: 'text' },
  { kind: 'universe', words: 'in universe', needs: 'text' },
  { kind: 'unpatched', words: 'without address' },
  { kind: 'wrong', words: 'wrong at bring-up' },
  { kind: 'dead', words: 'dead at bring-up' },
  { kind: 'not tried', words: 'not yet brought up' },
];

function state({ not, kind, value }: Condition): string {
  const words =
    kind === 'level'
      ? value && `at ${value.replace(/\s*[-–]\s*/, ' thru ')}`
      : kind === 'uses'
        ? value && `uses ${value}`
        : kind === 'effect'
          ? value && `uses effect ${value}`
          : kind === 'group'
            ? value && `in group ${value}`
            : kind === 'universe'
              ? value && `universe ${value}`
              : ['type', 'position', 'purpose'].includes(kind)
                ? value && `${kind} ${quoted(value)}`
                : kind;
  return words && not ? `not ${words}` : words;
}

/** As the line writes it; nothing as long as something is missing. */
export function asked({ of, join, conditions }: Pick<Builder, 'of' | 'join' | 'conditions'>): string {
  const states = conditions.map(state);
  return states.some((s) => !s) ? '' : `${of} where ${states.join(` ${join} `)}`;
}
