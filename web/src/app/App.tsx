import { lazy, useEffect } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { useCurrentShow } from '../api/current-show';
import {
  useDesk,
  useGaps,
  useGroups,
  useLooks,
  usePalettes,
  usePatch,
  useProfiles,
  useShow,
  useShows,
} from '../api/queries';
import { onPlaying } from '../api/live';
import { lookAtPlaying } from '../features/playing/playing';
import { Chapter } from './Chapter';
import { Shell } from './Shell';

/** Each chapter is loaded when it is gone to; all of them once the first one stands. */
const chapters = {
  show: () => import('../features/show/ShowPage').then((m) => ({ default: m.ShowPage })),
  profiles: () => import('../features/profiles/ProfilesPage').then((m) => ({ default: m.ProfilesPage })),
  patch: () => import('../features/patch/PatchPage').then((m) => ({ default: m.PatchPage })),
  groups: () => import('../features/groups/GroupsPage').then((m) => ({ default: m.GroupsPage })),
  palettes: () => import('../features/palettes/PalettesPage').then((m) => ({ default: m.PalettesPage })),
  looks: () => import('../features/looks/LooksPage').then((m) => ({ default: m.LooksPage })),
  handheld: () => import('../features/handheld/HandheldPage').then((m) => ({ default: m.HandheldPage })),
  check: () => import('../features/check/CheckPage').then((m) => ({ default: m.CheckPage })),
};
const ShowPage = lazy(chapters.show);
const ProfilesPage = lazy(chapters.profiles);
const PatchPage = lazy(chapters.patch);
const GroupsPage = lazy(chapters.groups);
const PalettesPage = lazy(chapters.palettes);
const LooksPage = lazy(chapters.looks);
const CheckPage = lazy(chapters.check);
const HandheldPage = lazy(chapters.handheld);

/** The first chapter goes before the others. */
const LATER_MS = 200;

/** Whatever page is open follows what is played, here or elsewhere. */
function useFollowing(show: number | null) {
  useEffect(() => {
    onPlaying.listener = () => void lookAtPlaying().catch(() => undefined);
    onPlaying.listener();
  }, [show]);
}

/** Picks up the live show once, then follows it. */
function useLiveShow() {
  const shows = useShows();
  const { id, set } = useCurrentShow();
  const live = shows.data?.find((s) => s.live)?.id ?? null;
  useEffect(() => {
    if (id === null && live !== null) set(live);
  }, [id, live, set]);
  return { loading: shows.isLoading || (id === null && live !== null), id };
}

export function App() {
  const { loading, id } = useLiveShow();
  const { pathname } = useLocation();
  useFollowing(id);
  useEffect(() => {
    const later = window.setTimeout(() => Object.values(chapters).forEach((load) => void load()), LATER_MS);
    return () => window.clearTimeout(later);
  }, []);
  if (loading) return <p className="p-8 text-ink-2">Opening…</p>;
  const ofShow = (page: React.ReactNode) => (id === null ? <Navigate to="/show" /> : page);
  if (pathname === '/handheld')
    return (
      <Chapter name="The hand-held" from={[]}>
        <HandheldPage />
      </Chapter>
    );
  return (
    <Shell>
      <Routes>
        <Route path="/show" element={<Shows />} />
        <Route path="/profiles" element={<Profiles />} />
        <Route path="/patch" element={ofShow(<Patch />)} />
        <Route path="/groups" element={ofShow(<Groups />)} />
        <Route path="/palettes" element={ofShow(<Palettes />)} />
        <Route path="/looks" element={ofShow(<Looks />)} />
        <Route path="/check" element={ofShow(<Check />)} />
        <Route path="*" element={<Navigate to={id === null ? '/show' : '/patch'} />} />
      </Routes>
    </Shell>
  );
}

const Shows = () => (
  <Chapter name="Show" from={[useShows()]}>
    <ShowPage />
  </Chapter>
);
const Profiles = () => (
  <Chapter name="Profiles" from={[useProfiles()]}>
    <ProfilesPage />
  </Chapter>
);
const Patch = () => (
  <Chapter name="Patch" from={[useShow(), usePatch(), useDesk()]}>
    <PatchPage />
  </Chapter>
);
const Groups = () => (
  <Chapter name="Groups" from={[useGroups(), usePatch(), useDesk()]}>
    <GroupsPage />
  </Chapter>
);
const Palettes = () => (
  <Chapter name="Palettes" from={[usePalettes(), usePatch(), useDesk()]}>
    <PalettesPage />
  </Chapter>
);
const Looks = () => (
  <Chapter name="Looks" from={[useLooks(), usePatch(), useDesk()]}>
    <LooksPage />
  </Chapter>
);
const Check = () => (
  <Chapter name="Check" from={[useGaps()]}>
    <CheckPage />
  </Chapter>
);
