import { useMemo } from 'react';
import type {
  EffectView,
  GroupView,
  LooksView,
  MarkView,
  PaletteView,
  PatchView,
  Schemas,
} from '../api/client';
import {
  useDesk,
  useEffects,
  useGroups,
  useLooks,
  useMarks,
  usePalettes,
  usePatch,
  useProfiles,
  useWords,
} from '../api/queries';

/** One thing that what is being typed could become. */
export interface Completion {
  /** The whole line with it. */
  text: string;
  name: string;
  number?: number;
  kind: string;
  /** How many it is about: followers, units, slots. */
  detail: string;
}

const MOST = 16;
const KINDS = ['intensity', 'position', 'colour', 'color', 'beam', 'shape', 'control', 'combined'];

type Named = Omit<Completion, 'text'>;

const palettes = (all: PaletteView[], kind?: string): Named[] =>
  all
    .filter((p) => !kind || p.kind === kind)
    .map((p) => ({
      name: p.name,
      number: p.number,
      kind: p.kind,
      detail: p.of > 0 ? `${p.follow} of ${p.of} selected follow` : `${p.reach.length} types`,
    }));
const groups = (all: GroupView[]): Named[] =>
  all.map((g) => ({ name: g.name, number: g.number, kind: 'group', detail: `${g.units.length} units` }));
const effects = (all: EffectView[]): Named[] =>
  all
    .filter((e) => e.number > 0)
    .map((e) => ({
      name: e.name,
      number: e.number,
      kind: 'effect',
      detail: e.held > 0 ? `${e.able} of ${e.held} selected have it` : e.words,
    }));
const numbered = (all: { number: number; name: string }[], kind: string, detail: string): Named[] =>
  all.map((k) => ({ name: k.name, number: k.number, kind, detail }));
/** Lists, submasters or looks. */
const kept = (looks: LooksView | undefined, word: string): Named[] =>
  word === 'list'
    ? (looks?.lists ?? []).map((l) => ({
        name: l.name,
        number: l.number,
        kind: 'list',
        detail: `${l.cues.length} cues`,
      }))
    : word === 'submaster'
      ? numbered(looks?.submasters ?? [], word, 'a level')
      : numbered(looks?.looks ?? [], word, 'in a niche');
const profiles = (all: Schemas['ProfileSummary'][]): Named[] =>
  all.flatMap((p) =>
    p.modes.map((m) => ({
      name: `${p.name} / ${m.name}`,
      kind: 'profile',
      detail: `${m.slots} slots`,
    })),
  );
function positions(patch: PatchView | undefined): Named[] {
  const counts = new Map<string, number>();
  for (const f of patch?.fixtures ?? [])
    if (f.position) counts.set(f.position, (counts.get(f.position) ?? 0) + 1);
  return [...counts].sort().map(([name, n]) => ({ name, kind: 'position', detail: `${n} fixtures` }));
}

const marks = (all: MarkView[]): Named[] =>
  all.map((m) => ({ name: m.name, kind: 'mark', detail: `${m.x}, ${m.y}, ${m.z}` }));

export const inQuotes = (text: string) => (text.match(/"/g) ?? []).length % 2 === 1;

/** A kind and the beginning of a number behind it. */
const REFERRING =
  /(?:^|\s)(group|intensity|position|colour|color|beam|shape|control|combined|effect|list|submaster|look)\s+(\d*)$/i;

/** The word that is being typed. */
const BEGUN = /[a-z]*$/i;

/** Numbers are all alike to the grammar, so that it is asked once for all of them. */
const alike = (text: string) =>
  text.replace(/(?<![\w.])\d+(\.\d+)?(?![\w.])/g, (n) => (n.includes('.') ? '1.1' : '1'));

/** Whether names are asked for. */
const naming = (text: string) => inQuotes(text) || REFERRING.test(text);

/** What a line could become: names behind an opening quotation mark, what a word just typed refers to, words. */
export function useCompletions(text: string): Completion[] {
  const wanted = naming(text);
  const allPalettes = usePalettes(wanted).data;
  const allGroups = useGroups(wanted).data;
  const allProfiles = useProfiles(wanted).data;
  const patch = usePatch(wanted).data;
  const allMarks = useMarks(wanted).data;
  const allEffects = useEffects(wanted).data;
  const looks = useLooks(wanted).data;
  const held = useDesk().data?.values;
  // What stands at the beginning and behind numbers is there before anybody types.
  useWords('');
  const behind = useWords('1 ').data;
  const asked = useWords(wanted ? null : alike(text.replace(BEGUN, '')));
  const next = asked.data ?? (asked.isLoading ? behind : undefined);
  return useMemo(() => {
    const known = {
      palettes: allPalettes ?? [],
      groups: allGroups ?? [],
      profiles: allProfiles ?? [],
      marks: allMarks ?? [],
      effects: allEffects?.effects ?? [],
      looks,
      patch,
    };
    if (inQuotes(text)) {
      const quote = text.lastIndexOf('"');
      const begun = text.slice(quote + 1).toLowerCase();
      const before = /([a-z]+)\s*$/i.exec(text.slice(0, quote))?.[1]?.toLowerCase() ?? '';
      return meant(before, known)
        .filter((n) => n.name.toLowerCase().includes(begun))
        .sort(
          (a, b) =>
            Number(b.name.toLowerCase().startsWith(begun)) - Number(a.name.toLowerCase().startsWith(begun)),
        )
        .slice(0, MOST)
        .map((n) => ({ ...n, text: `${text.slice(0, quote + 1)}${n.name.replaceAll('"', '""')}" ` }));
    }
    const referring = REFERRING.exec(text);
    if (referring && !/\b(record|rename|edit|universe)\b/i.test(text)) {
      const word = referring[1]!.toLowerCase();
      const begun = referring[2]!;
      const all =
        word === 'group'
          ? groups(known.groups)
          : word === 'effect'
            ? effects(known.effects)
            : ['list', 'submaster', 'look'].includes(word)
              ? kept(known.looks, word)
              : palettes(known.palettes, word === 'color' ? 'colour' : word);
      return all
        .filter((n) => String(n.number).startsWith(begun))
        .slice(0, MOST)
        .map((n) => ({ ...n, text: `${text.slice(0, text.length - begun.length)}${n.number} ` }));
    }
    const begun = BEGUN.exec(text)![0].toLowerCase();
    // Before a word is begun they are only listed behind a blank, and where they are few.
    if (begun === '' && (!/\S\s$/.test(text) || !next || next.length > MOST)) return [];
    const attributes = (held ?? [])
      .filter((v) => v.label.toLowerCase().startsWith(begun) || v.attribute.toLowerCase().startsWith(begun))
      .map((v) => ({
        name: v.label,
        kind: 'attribute',
        detail: `${v.units} selected have it`,
        text: `${text.slice(0, text.length - begun.length)}${/\s/.test(v.label) ? v.attribute : v.label} at `,
      }));
    return [...(begun ? attributes : []), ...words(text, begun, next ?? [])].slice(0, MOST);
  }, [text, allPalettes, allGroups, allProfiles, allMarks, allEffects, looks, patch, held, next]);
}

const words = (text: string, begun: string, next: string[]): Completion[] =>
  next
    .filter((w) => w.startsWith(begun) && w !== begun)
    .map((w) => ({
      name: w,
      kind: 'word',
      detail: '',
      text: `${text.slice(0, text.length - begun.length)}${w} `,
    }));

interface Known {
  palettes: PaletteView[];
  groups: GroupView[];
  profiles: Schemas['ProfileSummary'][];
  marks: MarkView[];
  effects: EffectView[];
  looks: LooksView | undefined;
  patch: PatchView | undefined;
}

/** What the word in front of a quotation mark asks for; everything that has a name where it asks for nothing special. */
function meant(before: string, known: Known): Named[] {
  if (before === 'as' || before === 'to') return profiles(known.profiles);
  if (before === 'on') return positions(known.patch);
  if (before === 'mark') return marks(known.marks);
  if (before === 'type')
    return [...new Map(profiles(known.profiles).map((p) => [p.name.split(' / ')[0]!, p])).entries()].map(
      ([name, p]) => ({ ...p, name }),
    );
  if (before === 'group') return groups(known.groups);
  if (before === 'effect') return effects(known.effects);
  if (['list', 'submaster', 'look'].includes(before)) return kept(known.looks, before);
  if (KINDS.includes(before)) return palettes(known.palettes, before === 'color' ? 'colour' : before);
  return [
    ...palettes(known.palettes),
    ...groups(known.groups),
    ...positions(known.patch),
    ...profiles(known.profiles),
  ];
}
