import { useQueryClient } from '@tanstack/react-query';
import { useCurrentShow } from '../api/current-show';
import type { GroupView, PaletteView, Schemas } from '../api/client';

const WORDS = [
  'patch',
  'add',
  'unpatch',
  'delete',
  'name',
  'place',
  'renumber',
  'change',
  'swap',
  'shift',
  'compact universe',
  'mark',
  'purpose',
  'note',
  'universe',
  'save version',
  'restore version',
  'one to one',
  'over 2 universes',
  'by position',
  'hang',
  'record',
  'edit',
  'rename',
  'home',
  'clear',
  'next',
  'previous',
  'highlight',
  'undo',
  'redo',
  'group',
  'colour',
  'intensity',
  'position',
  'beam',
  'thru',
  'every',
  'blocks of',
  'part',
  'mirror',
  'reverse',
  'shuffle',
  'full',
  'out',
  'share',
  'take over',
  'also',
  'global',
  'per type',
  'per fixture',
  'merge',
  'replace',
];

/** Completes the last word, or the name after an opening quotation mark. */
export function useCompletions() {
  const queries = useQueryClient();
  return (text: string): string | null => {
    const id = useCurrentShow.getState().id;
    const quote = text.lastIndexOf('"');
    const inQuotes = (text.match(/"/g) ?? []).length % 2 === 1;
    if (inQuotes) {
      const profiles = queries.getQueryData<Schemas['ProfileSummary'][]>(['profiles']) ?? [];
      const groups = queries.getQueryData<GroupView[]>(['show', id, 'groups']) ?? [];
      const palettes = queries.getQueryData<PaletteView[]>(['show', id, 'palettes']) ?? [];
      const names = [
        ...profiles.flatMap((p) => p.modes.map((m) => `${p.name} / ${m.name}`)),
        ...groups.map((g) => g.name),
        ...palettes.map((p) => p.name),
      ];
      const begun = text.slice(quote + 1).toLowerCase();
      const name = names.find((n) => n.toLowerCase().startsWith(begun));
      return name ? `${text.slice(0, quote + 1)}${name}" ` : null;
    }
    const begun = /[a-z]+$/i.exec(text)?.[0].toLowerCase();
    const word = begun ? WORDS.find((w) => w.startsWith(begun) && w !== begun) : undefined;
    return begun && word ? `${text.slice(0, text.length - begun.length)}${word} ` : null;
  };
}
