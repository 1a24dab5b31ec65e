import { useEffect } from 'react';
import { Navigate, Route, Routes, useLocation } from 'react-router';
import { useCurrentShow } from '../api/current-show';
import { useShows } from '../api/queries';
import { onPlaying } from '../api/live';
import { lookAtPlaying } from '../features/playing/playing';
import { Chapter } from './Chapter';
import { CHAPTERS, HandheldPage, loadAll, loadFirst, ShowingPage } from './chapters';
import { Shell } from './Shell';

/** The first chapter goes before the others. */
const LATER_MS = 1500;

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

loadFirst(window.location.pathname);

export function App() {
  const { loading, id } = useLiveShow();
  const { pathname } = useLocation();
  useFollowing(id);
  useEffect(() => {
    const later = window.setTimeout(() => void loadAll(), LATER_MS);
    return () => window.clearTimeout(later);
  }, []);
  if (pathname.startsWith('/showing/'))
    return (
      <Chapter name="What is shown" from={[]}>
        <ShowingPage token={pathname.slice('/showing/'.length)} />
      </Chapter>
    );
  if (loading) return <p className="p-8 text-ink-2">Opening…</p>;
  if (pathname === '/handheld')
    return (
      <Chapter name="The hand-held" from={[]}>
        <HandheldPage />
      </Chapter>
    );
  return (
    <Shell>
      <Routes>
        {CHAPTERS.filter((c) => c.page).map((c) => (
          <Route
            key={c.path}
            path={c.path}
            element={id === null && !c.always ? <Navigate to="/show" /> : <Drawn key={c.path} chapter={c} />}
          />
        ))}
        <Route path="*" element={<Navigate to={id === null ? '/show' : '/patch'} />} />
      </Routes>
    </Shell>
  );
}

function Drawn({ chapter }: { chapter: (typeof CHAPTERS)[number] }) {
  const Page = chapter.page!.Page;
  return (
    <Chapter name={chapter.name} from={chapter.useFrom()}>
      <Page />
    </Chapter>
  );
}
