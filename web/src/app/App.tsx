import { useEffect } from 'react';
import { Navigate, Route, Routes } from 'react-router';
import { useCurrentShow } from '../api/current-show';
import { useShows } from '../api/queries';
import { CheckPage } from '../features/check/CheckPage';
import { GroupsPage } from '../features/groups/GroupsPage';
import { PalettesPage } from '../features/palettes/PalettesPage';
import { PatchPage } from '../features/patch/PatchPage';
import { ProfilesPage } from '../features/profiles/ProfilesPage';
import { ShowPage } from '../features/show/ShowPage';
import { Shell } from './Shell';

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
  if (loading) return <p className="p-8 text-ink-2">Opening…</p>;
  return (
    <Shell>
      <Routes>
        <Route path="/show" element={<ShowPage />} />
        <Route path="/profiles" element={<ProfilesPage />} />
        <Route path="/patch" element={id === null ? <Navigate to="/show" /> : <PatchPage />} />
        <Route path="/groups" element={id === null ? <Navigate to="/show" /> : <GroupsPage />} />
        <Route path="/palettes" element={id === null ? <Navigate to="/show" /> : <PalettesPage />} />
        <Route path="/check" element={id === null ? <Navigate to="/show" /> : <CheckPage />} />
        <Route path="*" element={<Navigate to={id === null ? '/show' : '/patch'} />} />
      </Routes>
    </Shell>
  );
}
