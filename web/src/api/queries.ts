import { QueryClient, useQuery } from '@tanstack/react-query';
import { useCurrentShow } from './current-show';
import { answered, client } from './client';

export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, retry: 1, refetchOnWindowFocus: false } },
});

export function useShows() {
  return useQuery({ queryKey: ['shows'], queryFn: async () => answered(await client.GET('/api/shows')) });
}

function useOfShow<T>(part: string, load: (id: number) => Promise<T>) {
  const id = useCurrentShow((s) => s.id);
  return useQuery({
    queryKey: ['show', id, part],
    queryFn: () => load(id!),
    enabled: id !== null,
    placeholderData: (before: T | undefined) => before as never,
  });
}

const at = (id: number) => ({ params: { path: { id } } });

export const useShow = () =>
  useOfShow('show', async (id) => answered(await client.GET('/api/shows/{id}', at(id))));
export const usePatch = () =>
  useOfShow('patch', async (id) => answered(await client.GET('/api/shows/{id}/patch', at(id))));
export const useDesk = () =>
  useOfShow('desk', async (id) => answered(await client.GET('/api/shows/{id}/desk', at(id))));
export const useGroups = () =>
  useOfShow('groups', async (id) => answered(await client.GET('/api/shows/{id}/groups', at(id))));
export const usePalettes = () =>
  useOfShow('palettes', async (id) => answered(await client.GET('/api/shows/{id}/palettes', at(id))));

export const useGaps = () =>
  useOfShow('check', async (id) => answered(await client.GET('/api/shows/{id}/check', at(id))));

export const useVersions = () =>
  useOfShow('versions', async (id) => answered(await client.GET('/api/shows/{id}/versions', at(id))));

export function usePractice() {
  return useQuery({
    queryKey: ['practice'],
    queryFn: async () => answered(await client.GET('/api/rig/practice')),
  });
}

export function useProfiles() {
  return useQuery({
    queryKey: ['profiles'],
    queryFn: async () => answered(await client.GET('/api/profiles')),
  });
}

export function useProfile(profileId: string | null) {
  return useQuery({
    queryKey: ['profile', profileId],
    queryFn: async () =>
      answered(await client.GET('/api/profiles/{id}', { params: { path: { id: profileId! } } })),
    enabled: profileId !== null,
  });
}

export function useOutput() {
  return useQuery({
    queryKey: ['output'],
    queryFn: async () => answered(await client.GET('/api/output')),
    refetchInterval: 5000,
  });
}

/** Which parts to look at again after areas of the show have changed. */
export function refresh(areas: string[]) {
  const parts = new Set<string>(['show', 'check']);
  for (const area of areas) {
    if (area === 'fixtures' || area === 'profiles')
      ['patch', 'desk', 'groups', 'palettes'].forEach((p) => parts.add(p));
    if (area === 'groups') ['groups', 'desk'].forEach((p) => parts.add(p));
    if (area === 'palettes') ['palettes', 'desk'].forEach((p) => parts.add(p));
    if (area === 'hand') ['desk', 'groups', 'palettes'].forEach((p) => parts.add(p));
    if (area === 'values') parts.add('desk');
    if (area === 'universes') parts.add('patch');
    if (area === 'show') void queryClient.invalidateQueries({ queryKey: ['shows'] });
    if (area === 'profiles' || area === 'fixtures')
      ['profiles', 'profile'].forEach((key) => void queryClient.invalidateQueries({ queryKey: [key] }));
  }
  void queryClient.invalidateQueries({
    predicate: (q) => q.queryKey[0] === 'show' && parts.has(q.queryKey[2] as string),
  });
}
