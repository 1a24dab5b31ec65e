import type { UseQueryResult } from '@tanstack/react-query';
import { lazy, type ComponentType } from 'react';
import {
  useCheck,
  useDesk,
  useGoods,
  useGroups,
  useLooks,
  usePalettes,
  usePaper,
  usePatch,
  useProfiles,
  useShow,
  useShows,
} from '../api/queries';

interface Entry {
  /** As the rail and the server call it; its address is the same in small letters. */
  name: string;
  /** Absent while the chapter is not there yet. */
  load?: () => Promise<ComponentType>;
  /** What it is drawn from: a hook, called while it is on the page. */
  useFrom?: () => UseQueryResult<unknown>[];
  /** Whether it is there with no show open. */
  always?: boolean;
  /** Whether what is in hand is recorded there, under a name. */
  records?: boolean;
}

/** In the order of work; a new chapter is one more of these and a folder. */
const ENTRIES: Entry[] = [
  {
    name: 'Show',
    load: () => import('../features/show/ShowPage').then((m) => m.ShowPage),
    useFrom: () => [useShows()],
    always: true,
  },
  {
    name: 'Profiles',
    load: () => import('../features/profiles/ProfilesPage').then((m) => m.ProfilesPage),
    useFrom: () => [useProfiles()],
    always: true,
  },
  {
    name: 'Patch',
    load: () => import('../features/patch/PatchPage').then((m) => m.PatchPage),
    useFrom: () => [useShow(), usePatch(), useDesk()],
  },
  {
    name: 'Groups',
    load: () => import('../features/groups/GroupsPage').then((m) => m.GroupsPage),
    useFrom: () => [useGroups(), usePatch(), useDesk()],
    records: true,
  },
  {
    name: 'Palettes',
    load: () => import('../features/palettes/PalettesPage').then((m) => m.PalettesPage),
    useFrom: () => [usePalettes(), usePatch(), useDesk()],
    records: true,
  },
  {
    name: 'Looks',
    load: () => import('../features/looks/LooksPage').then((m) => m.LooksPage),
    useFrom: () => [useLooks(), usePatch(), useDesk()],
    records: true,
  },
  {
    name: 'Check',
    load: () => import('../features/check/CheckPage').then((m) => m.CheckPage),
    useFrom: () => [useCheck(), usePatch(), useDesk()],
  },
  {
    name: 'Hand over',
    load: () => import('../features/handover/HandOverPage').then((m) => m.HandOverPage),
    useFrom: () => [useCheck(), useGoods(), usePaper()],
  },
];

/** A page that is loaded when it is gone to, or before. */
function later(load: () => Promise<ComponentType>) {
  const found = () => load().then((page) => ({ default: page }));
  return { Page: lazy(found), load: found };
}

const handheld = later(() => import('../features/handheld/HandheldPage').then((m) => m.HandheldPage));

export const HandheldPage = handheld.Page;

export const ShowingPage = lazy(() =>
  import('../features/showing/ShowingPage').then((page) => ({ default: page.ShowingPage })),
);

export const CHAPTERS = ENTRIES.map((entry, i) => ({
  name: entry.name,
  number: i + 1,
  path: `/${entry.name.toLowerCase().replace(' ', '-')}`,
  always: entry.always ?? false,
  records: entry.records ?? false,
  useFrom: entry.useFrom ?? (() => []),
  page: entry.load && later(entry.load),
}));

const pages = () => [
  ...CHAPTERS.map((c) => ({ path: c.path, page: c.page })),
  { path: '/handheld', page: handheld },
];

/** Begins to load the page of an address, which takes as long as what it is drawn from. */
export function loadFirst(address: string) {
  void pages()
    .find((p) => p.path === (address === '/' ? '/patch' : address))
    ?.page?.load();
}

/** Between two pages that nobody has asked for yet; not every browser tells when it has nothing to do. */
const BREATH_MS = 60;

/** Loads all pages, one after the other, so that none has to be waited for even when the application is away. */
export async function loadAll() {
  for (const { page } of pages()) {
    await page?.load().catch(() => undefined);
    await new Promise((resolve) => window.setTimeout(resolve, BREATH_MS));
  }
}
