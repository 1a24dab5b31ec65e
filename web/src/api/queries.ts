import { keepPreviousData, QueryClient, useQuery } from '@tanstack/react-query';
import { useCurrentShow } from './current-show';
import { answered, client, type PatchView } from './client';
import { readParts, type RigPart } from './rig-parts';
import { settled } from './turns';
import { stand } from './writing';

export const queryClient = new QueryClient({
  defaultOptions: { queries: { staleTime: Infinity, retry: 1, refetchOnWindowFocus: false } },
});

export const showsQuery = {
  queryKey: ['shows'],
  queryFn: async () => answered(await client.GET('/api/shows')),
};

export function useShows() {
  return useQuery(showsQuery);
}

/** Whether what is done can be kept. */
export function useStorage() {
  return useQuery({
    queryKey: ['storage'],
    queryFn: async () => answered(await client.GET('/api/storage')),
    refetchInterval: 10_000,
  });
}

/** Words that a line may go on with. @param before where the word that is typed begins; null when none is asked for */
export function useWords(before: string | null) {
  return useQuery({
    queryKey: ['words', before],
    queryFn: async () =>
      answered(await client.GET('/api/line/words', { params: { query: { before: before! } } })),
    enabled: before !== null,
    gcTime: 60_000,
  });
}

export function useColourPlane() {
  return useQuery({
    queryKey: ['colour-plane'],
    queryFn: async () => answered(await client.GET('/api/colour-plane')),
  });
}

/** @param wanted whether it is needed now; what is not is not asked for again either */
function useOfShow<T>(
  part: string,
  load: (id: number) => Promise<T>,
  wanted = true,
  rest: (string | number)[] = [],
) {
  const id = useCurrentShow((s) => s.id);
  return useQuery({
    queryKey: ['show', id, part, ...rest],
    queryFn: () => load(id!),
    enabled: id !== null && wanted,
  });
}

const at = (id: number) => ({ params: { path: { id } } });

export const useShow = () =>
  useOfShow('show', async (id) => {
    const show = answered(await client.GET('/api/shows/{id}', at(id)));
    stand(show.id, show.revision);
    return show;
  });
export const usePatch = (wanted = true) =>
  useOfShow('patch', async (id) => answered(await client.GET('/api/shows/{id}/patch', at(id))), wanted);
const loadDesk = async (id: number) => answered(await client.GET('/api/shows/{id}/desk', at(id)));
export const useDesk = () => useOfShow('desk', loadDesk);

/** The fixtures selected when every press so far is done: the next press acts on what those left, not on what is drawn. */
export async function heldNow(): Promise<number[]> {
  await settled();
  const id = useCurrentShow.getState().id;
  if (id === null) return [];
  const queryFn = () => loadDesk(id);
  const desk = await queryClient.fetchQuery({ queryKey: ['show', id, 'desk'], queryFn, staleTime: 0 });
  return fixturesOf(desk.steps);
}

/** The fixtures of which these units are, each once, in order. */
export const fixturesOf = (steps: string[][]) => [
  ...new Set(steps.flat().map((u) => Number(u.split('.')[0]))),
];
export const useGroups = (wanted = true) =>
  useOfShow('groups', async (id) => answered(await client.GET('/api/shows/{id}/groups', at(id))), wanted);
export const useStarters = (wanted: boolean) =>
  useOfShow(
    'starters',
    async (id) => answered(await client.GET('/api/shows/{id}/groups/starters', at(id))),
    wanted,
  );
export const usePalettes = (wanted = true) =>
  useOfShow('palettes', async (id) => answered(await client.GET('/api/shows/{id}/palettes', at(id))), wanted);

/** What one palette holds, and who uses it. */
export const useContents = (kind: string, number: number) =>
  useOfShow(
    'contents',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/palettes/{kind}/{number}', {
          params: { path: { id, kind, number } },
        }),
      ),
    true,
    [kind, number],
  );
/** How colours selected stand to that of one fixture. @param reference its number, null for none */
export const useMatch = (reference: number | null) =>
  useOfShow(
    'match',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/match/{reference}', {
          params: { path: { id, reference: reference! } },
        }),
      ),
    reference !== null,
    [reference ?? 0],
  );
/** Values of the selection. @param touched only what would be recorded; @param from the first row that is seen */
export function useValueTable(touched: boolean, from: number, rows: number) {
  const id = useCurrentShow((s) => s.id);
  return useQuery({
    queryKey: ['show', id, 'value table', touched, from, rows],
    queryFn: async () =>
      answered(
        await client.GET('/api/shows/{id}/values', {
          params: { path: { id: id! }, query: { touched, from, rows } },
        }),
      ),
    enabled: id !== null,
    placeholderData: keepPreviousData,
  });
}
/** Everything that is kept to be played. */
export const useLooks = (wanted = true) =>
  useOfShow('looks', async (id) => answered(await client.GET('/api/shows/{id}/looks', at(id))), wanted);
/** Effects, and who stands where in them. */
export const useEffects = (wanted = true) =>
  useOfShow('effects', async (id) => answered(await client.GET('/api/shows/{id}/effects', at(id))), wanted);
export const useEffectStarters = (wanted: boolean) =>
  useOfShow(
    'effect starters',
    async (id) => answered(await client.GET('/api/shows/{id}/effects/starters', at(id))),
    wanted,
  );
/** Who decides over what goes out now. @param wanted while somebody looks */
export const useHolders = (wanted: boolean) =>
  useOfShow(
    'holders',
    async (id) => answered(await client.GET('/api/shows/{id}/play/holders', at(id))),
    wanted,
  );
/** What stands at a cue. @param cue its id */
export const useCue = (cue: number) =>
  useOfShow(
    'look contents',
    async (id) => answered(await client.GET('/api/shows/{id}/cues/{cue}', { params: { path: { id, cue } } })),
    cue > 0,
    ['cue', cue],
  );
/** How a cue differs from another one. @param other its id, 0 for what is on stage now */
export const useAgainst = (cue: number, other: number) =>
  useOfShow(
    'look contents',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/cues/{cue}/against/{other}', {
          params: { path: { id, cue, other } },
        }),
      ),
    cue > 0 && other >= 0,
    ['against', cue, other],
  );
/** What a submaster or a look holds. */
export const useKeptLook = (kind: string, number: number) =>
  useOfShow(
    'look contents',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/kept/{kind}/{number}', {
          params: { path: { id, kind, number } },
        }),
      ),
    number > 0,
    [kind, number],
  );
/** What one kept thing looks like by itself: a cue by its id, a submaster or a look by its number. */
export interface Lit {
  kind: 'cue' | 'submaster' | 'look';
  which: number;
}
/** The rig as it would be lit by nothing but one cue, submaster or look. */
export const useLookLight = (of: Lit | null) =>
  useOfShow(
    'look light',
    async (id) => {
      const octets = answered(
        await (of!.kind === 'cue'
          ? client.GET('/api/shows/{id}/cues/{cue}/light', {
              params: { path: { id, cue: of!.which } },
              parseAs: 'arrayBuffer',
            })
          : client.GET('/api/shows/{id}/kept/{kind}/{number}/light', {
              params: { path: { id, kind: of!.kind, number: of!.which } },
              parseAs: 'arrayBuffer',
            })),
      ) as unknown as ArrayBuffer;
      const parts = new Map<string, RigPart>();
      readParts(octets, parts);
      return parts;
    },
    of !== null,
    [of?.kind ?? '', of?.which ?? 0],
  );
/** Pages of niches, of groups and of palettes. */
export const usePages = () =>
  useOfShow('pages', async (id) => answered(await client.GET('/api/shows/{id}/pages', at(id))));
/** What drawings have put on the stage. */
export const useScenery = () =>
  useOfShow('scenery', async (id) => answered(await client.GET('/api/shows/{id}/scenery', at(id))));

/** Devices as they were found last, against the patch. @param all those that are right too */
export const useDevices = (all: boolean, wanted = true) =>
  useOfShow(
    'devices',
    async (id) =>
      answered(await client.GET('/api/shows/{id}/devices', { params: { path: { id }, query: { all } } })),
    wanted,
    [all ? 'all' : 'differing'],
  );
/** One device looked at closely. */
export const useDeviceDetails = (line: number, uid: string) =>
  useOfShow(
    'devices',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/devices/{line}/{uid}', { params: { path: { id, line, uid } } }),
      ),
    uid !== '',
    [line, uid],
  );

export const useMarks = (wanted = true) =>
  useOfShow('marks', async (id) => answered(await client.GET('/api/shows/{id}/marks', at(id))), wanted);
export const useCoverage = () =>
  useOfShow('coverage', async (id) => answered(await client.GET('/api/shows/{id}/coverage', at(id))));
/** Two palettes side by side. */
export const useComparison = (kind: string, number: number, against: string, other: number) =>
  useOfShow(
    'contents',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/palettes/{kind}/{number}/against/{against}/{other}', {
          params: { path: { id, kind, number, against, other } },
        }),
      ),
    true,
    [kind, number, against, other],
  );

/** One crossing of the coverage, unit by unit. @param wanted whether it is looked at */
export const useCrossing = (kind: string, number: number, type: string, mode: string, wanted: boolean) =>
  useOfShow(
    'coverage',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/coverage/{kind}/{number}', {
          params: { path: { id, kind, number }, query: { type, mode } },
        }),
      ),
    wanted,
    [kind, number, type, mode],
  );
export const usePaletteStarters = (wanted: boolean) =>
  useOfShow(
    'palette starters',
    async (id) => answered(await client.GET('/api/shows/{id}/palettes/starters', at(id))),
    wanted,
  );

/** How paper is set: size a4 or letter; across absent for each sheet as it is best read. */
export interface PaperLook {
  size: string;
  across?: boolean;
}

export const useCheck = () =>
  useOfShow('check', async (id) => answered(await client.GET('/api/shows/{id}/check', at(id))));

/** What can be done about one finding. @param wanted whether it is in sight and was not told with it */
export const useWays = (key: string, wanted: boolean) =>
  useOfShow(
    'check',
    async (id) =>
      answered(await client.GET('/api/shows/{id}/check/ways', { params: { path: { id }, query: { key } } })),
    wanted,
    ['ways', key],
  );

/** What channels of a text of cues can come in as. */
export const useDimmers = () =>
  useOfShow('patch', async (id) => answered(await client.GET('/api/shows/{id}/cues/dimmers', at(id))), true, [
    'dimmers',
  ]);

export const usePaper = () =>
  useOfShow('paper', async (id) => answered(await client.GET('/api/shows/{id}/paper', at(id))));

/** How many pages a sheet has, set like that. */
export const usePaperPages = (sheets: string, look: PaperLook) =>
  useOfShow(
    'paper',
    async (id) =>
      answered(
        await client.GET('/api/shows/{id}/paper/{sheets}/pages', {
          params: { path: { id, sheets }, query: look },
        }),
      ),
    sheets !== '',
    [sheets, look.size, String(look.across)],
  );

export const useGoods = () =>
  useOfShow('parcel', async (id) => answered(await client.GET('/api/shows/{id}/parcel/contents', at(id))));

/** Links by which others look at versions. */
export const useShowings = () =>
  useOfShow('showings', async (id) => answered(await client.GET('/api/shows/{id}/showings', at(id))));

/** What whoever has a link sees. */
export const useShown = (token: string) =>
  useQuery({
    queryKey: ['showing', token],
    queryFn: async () => answered(await client.GET('/api/showing/{token}', { params: { path: { token } } })),
    retry: false,
  });

export const useVersions = () =>
  useOfShow('versions', async (id) => answered(await client.GET('/api/shows/{id}/versions', at(id))));

export function usePractice() {
  return useQuery({
    queryKey: ['practice'],
    queryFn: async () => answered(await client.GET('/api/rig/practice')),
  });
}

export function useProfiles(wanted = true) {
  return useQuery({
    queryKey: ['profiles'],
    enabled: wanted,
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

/** Puts what a few fixtures are now into the patch that is there. */
async function patchOf(show: number, ids: number[]) {
  const key = ['show', show, 'patch'];
  if (!queryClient.getQueryData<PatchView>(key)) return;
  const params = { path: { id: show }, query: { ids } };
  const now = answered(await client.GET('/api/shows/{id}/patch', { params }));
  const changed = new Map(now.fixtures.map((f) => [f.id, f]));
  queryClient.setQueryData<PatchView>(key, (before) => {
    if (!before) return before;
    const kept = before.fixtures.filter((f) => !ids.includes(f.id));
    const fixtures = [...kept, ...changed.values()].sort((a, b) => a.number - b.number);
    const clashing = new Set(now.clashing);
    const sharing = new Set(now.sharing);
    return {
      ...now,
      fixtures: fixtures.map((f) =>
        f.clash === clashing.has(f.number) && f.shared === sharing.has(f.number)
          ? f
          : { ...f, clash: clashing.has(f.number), shared: sharing.has(f.number) },
      ),
    };
  });
}

/** Everything that is shown is looked at again. */
export function refreshAll() {
  void queryClient.invalidateQueries({
    predicate: ({ queryKey: [of] }) => of !== 'colour-plane' && of !== 'words',
  });
}

/**
 * Looks again at what the server named.
 *
 * @param show 0 for all of them
 * @param views by their words, as queries are kept by
 * @param fixtures whose rows of the patch are others; the rest of it stays
 */
export function refresh(show: number, views: string[], fixtures: number[] = []) {
  const stale = new Set(views);
  if (fixtures.length > 0)
    patchOf(show, fixtures).catch(
      () => void queryClient.invalidateQueries({ queryKey: ['show', show, 'patch'] }),
    );
  void queryClient.invalidateQueries({
    predicate: ({ queryKey: [of, which, part] }) =>
      of === 'show' ? (show === 0 || which === show) && stale.has(part as string) : stale.has(of as string),
  });
}
