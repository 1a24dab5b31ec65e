import { useEffect } from 'react';
import { create } from 'zustand';

/** Files that were dropped anywhere on the application, until the page that they belong to takes them. */
export const useDropped = create<{ files: File[] }>(() => ({ files: [] }));

export type Place = '/show' | '/patch' | '/scene' | '/profiles';

/** Who takes a file, by its name: a page, or the view of scenes in Patch; none for what nobody can read. */
export function placeOf(name: string): Place | null {
  if (/\.(loculus|zip)$/i.test(name)) return '/show';
  if (/\.(csv|tsv|txt|xlsx)$/i.test(name)) return '/patch';
  if (/\.mvr$/i.test(name)) return '/scene';
  if (/\.gdtf$/i.test(name)) return '/profiles';
  return null;
}

/** Hands a page the dropped files that belong to it, once. */
export function useTakeDropped(place: Place, take: (files: File[]) => void) {
  const dropped = useDropped((s) => s.files);
  useEffect(() => {
    const mine = taken(place);
    if (mine.length > 0) take(mine);
  }, [dropped, place, take]);
}

/** The dropped files that belong to a page; they are not there any more. */
export function taken(place: Place): File[] {
  const { files } = useDropped.getState();
  const mine = files.filter((f) => placeOf(f.name) === place);
  if (mine.length > 0) useDropped.setState({ files: files.filter((f) => !mine.includes(f)) });
  return mine;
}
