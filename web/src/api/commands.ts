import {
  answered,
  client,
  foreseen,
  type FileResult,
  type LineResponse,
  type ProfileDraft,
  type SceneView,
} from './client';
import { useCurrentShow } from './current-show';
import { write, page, type WriteHeaders } from './writing';

/** The show that is open, as paths name it. */
export const path = () => {
  const id = useCurrentShow.getState().id;
  if (id === null) throw new Error('No show is open.');
  return { path: { id } };
};

/** Reads or does a typed line. Throws RefusedError with the place and the ways out. */
export async function line(text: string, preview = false, gesture = ''): Promise<LineResponse> {
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/line', { params: path(), body: { text, preview, gesture }, headers });
  return preview ? foreseen(await send()) : answered(await write(send));
}

/** How something meets the selection. */
export type How = 'hold' | 'add' | 'less' | 'both';

/** What pages ask for: records, no words to be read again. */
export type Edit =
  | { type: 'select'; units: string[]; how: How }
  | { type: 'hold-group'; number: number; how?: How }
  | { type: 'choose'; words: string; how: How }
  | { type: 'recent'; index: number }
  | { type: 'arrange'; words: string }
  | { type: 'nudge'; by: Record<string, number> }
  | { type: 'shuffle' }
  | { type: 'invert'; within?: 'position' | 'type' }
  | { type: 'lift'; index?: number }
  | { type: 'order'; from: number; to: number }
  | { type: 'step'; back: boolean }
  | { type: 'step-slot'; attribute: string; back: boolean }
  | { type: 'record-highlight'; perType: boolean; with: string[] }
  | { type: 'forget-highlight' }
  | { type: 'dim-rest'; percent?: number }
  | { type: 'highlight'; on: boolean }
  | { type: 'clear'; all?: boolean }
  | { type: 'home'; kind?: string }
  | { type: 'set'; attribute: string; points?: number[]; name?: string }
  | { type: 'colour'; u: number; v: number }
  | { type: 'values-of'; units: string[]; words: string }
  | { type: 'white'; kelvin: number; tint?: number }
  | { type: 'record-group'; number?: number; name?: string; recipe?: boolean; replace?: boolean }
  | { type: 'rename-group'; number: number; name: string }
  | { type: 'make-recipe'; number: number; words: string }
  | { type: 'freeze-group'; number: number }
  | { type: 'move-group' | 'copy-group'; number: number; to: number }
  | { type: 'delete-groups'; numbers: number[] }
  | { type: 'describe-groups'; numbers: number[]; tint?: string; note?: string }
  | { type: 'alter-group'; number: number; how: 'add' | 'less' | 'replace' }
  | { type: 'level-group'; number: number; percent: number }
  | { type: 'starter-groups'; names?: string[] }
  | {
      type: 'record-palette';
      kind: string;
      number?: number;
      name?: string;
      scope?: string;
      onto?: 'merge' | 'replace';
      closeWheel?: boolean;
      keepReferences?: boolean;
      with?: string[];
      only?: string[];
      without?: string[];
      colour?: string;
    }
  | { type: 'starter-palettes'; names?: string[] }
  | {
      type: 'edit-entry';
      kind: string;
      number: number;
      scope: string;
      of: string;
      mode: string;
      attribute: string;
      value?: string;
      form?: string;
    }
  | { type: 'rename-palette'; kind: string; number: number; name: string }
  | { type: 'apply'; kind: string; number: number; asValues?: boolean }
  | { type: 'place'; places: { number: number; x: number; y: number; z: number }[] }
  | { type: 'unpatch' | 'delete'; numbers: number[] }
  | { type: 'move'; numbers: number[]; to: string; layout?: string }
  | { type: 'change-type'; numbers: number[]; as: string }
  | { type: 'shift'; numbers: number[]; by?: number; to?: string }
  | { type: 'mark'; numbers: number[]; answer: string; note?: string }
  | { type: 'fill'; numbers: number[]; column: string; value: string; step?: number }
  | { type: 'revise'; rows: Row[] }
  | { type: 'invert-heads'; numbers: number[]; pan?: boolean; tilt?: boolean }
  | { type: 'renew-profile'; profileId: string }
  | { type: 'rename-show'; name: string }
  | { type: 'set-aside'; findings: string[]; reason: string }
  | { type: 'reopen'; finding: string }
  | { type: 'sign'; chapter: string; by: string }
  | { type: 'unsign'; chapter: string }
  | { type: 'no-paper' };

/** Does a typed edit, or says what it would do. Throws RefusedError with the ways out. */
export async function edit(what: Edit, preview = false, gesture = ''): Promise<LineResponse> {
  const body = { edit: what, preview, gesture } as never;
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/edits', { params: path(), body, headers });
  return preview ? foreseen(await send()) : answered(await write(send));
}

/** Takes groups of another show over, or says what would come. */
export async function bringGroups(
  from: number,
  numbers: number[],
  match: 'number' | 'type',
  told: { theirs: number; ours: number }[],
  preview: boolean,
) {
  const body = { from, numbers, match, told, preview } as never;
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/groups/bring', { params: path(), body, headers });
  return answered(preview ? await send() : await write(send));
}

/** The groups of any show. */
export async function groupsOf(id: number) {
  return answered(await client.GET('/api/shows/{id}/groups', { params: { path: { id } } }));
}

/** Turns highlight over. Whether it is on is asked when it is this press's turn, so that two quick ones are two. */
export async function turnHighlight() {
  let on: boolean | undefined;
  const send = async (headers: WriteHeaders) => {
    on ??= !answered(await client.GET('/api/shows/{id}/desk', { params: path() })).highlight;
    const body = { edit: { type: 'highlight', on }, preview: false, gesture: '' } as never;
    return client.POST('/api/shows/{id}/edits', { params: path(), body, headers });
  };
  return answered(await write(send));
}

/** Takes units selected; the selection by then is worked out where it is written. */
export const select = (units: string[], how: How) => edit({ type: 'select', units, how });

export const place = (places: { number: number; x: number; y: number; z: number }[]) =>
  edit({ type: 'place', places });

export async function undo() {
  return answered(await write((headers) => client.POST('/api/shows/{id}/undo', { params: path(), headers })));
}

export async function redo() {
  return answered(await write((headers) => client.POST('/api/shows/{id}/redo', { params: path(), headers })));
}

/** @param from a show or template to begin with; @param dimmers how many to patch one to one */
export async function createShow(name: string, from: number | null = null, dimmers = 0) {
  const body = { name, from: from ?? undefined, dimmers };
  const show = answered(
    await write((headers) => client.POST('/api/shows', { body: body as never, headers })),
  );
  useCurrentShow.getState().set(show.id);
  return show;
}

/** Opens the demo show, which is made when there is none. */
export async function openDemo() {
  const show = answered(await client.POST('/api/shows/demo'));
  useCurrentShow.getState().set(show.id);
  return show;
}

export async function openShow(id: number) {
  const show = answered(await client.POST('/api/shows/{id}/live', { params: { path: { id } } }));
  useCurrentShow.getState().set(show.id);
  return show;
}

/** Paper as it was chosen: pasted text, or a file's octets in Base64; which encoding they are in is found out there. */
export interface Paper {
  text: string;
  file: string | null;
  /** That of its file. */
  name?: string;
}

export async function readPaper(file: File): Promise<Paper> {
  const octets = new Uint8Array(await file.arrayBuffer());
  let binary = '';
  for (let i = 0; i < octets.length; i += 0x8000)
    binary += String.fromCharCode(...octets.subarray(i, i + 0x8000));
  return { text: '', file: btoa(binary), name: file.name };
}

export interface HookupChoice {
  text: string;
  file?: string | null;
  mapping: Record<string, string>;
  clashing: string;
  preview: boolean;
}

export async function hookup(body: HookupChoice) {
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/hookup', { params: path(), body: body as never, headers });
  return answered(body.preview ? await send() : await write(send));
}

/** Takes a text of cues in, or says what would come. @param file octets in Base64 */
/** @param as what channels that no fixture has come in as, profile and mode; null for leaving them out */
export async function cueText(file: string, as: string | null, preview: boolean) {
  const body = { file, dimmers: as !== null, dimmer: as ?? '', preview } as never;
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/cues/text', { params: path(), body, headers });
  return answered(preview ? await send() : await write(send));
}

export async function demoHookup(): Promise<string> {
  return answered(await client.GET('/api/demo/hookup', { parseAs: 'text' })) as unknown as string;
}

export async function rigOf(number: number) {
  return answered(await client.GET('/api/rig/{number}', { params: { path: { number } } }));
}

export async function setRig(number: number, address: string, dead: boolean) {
  const params = { path: { number } };
  return address || dead
    ? answered(await client.PUT('/api/rig/{number}', { params, body: { address, dead } }))
    : answered(await client.DELETE('/api/rig/{number}', { params }));
}

export interface ComparisonChoice extends Paper {
  mapping: Record<string, string>;
  take: string[];
  preview: boolean;
  /** What the paper is called, when the patch is to be held to it from now on. */
  hold?: string;
}

export async function compare(body: ComparisonChoice) {
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/comparison', { params: path(), body: body as never, headers });
  return answered(body.preview ? await send() : await write(send));
}

export interface Heard {
  text: string;
  universe: number;
  type: string;
  read: { number: number; address: string }[];
  preview: boolean;
}

export async function aloud(body: Heard) {
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/aloud', { params: path(), body, headers });
  return answered(body.preview ? await send() : await write(send));
}

/** Takes one entry back, whatever was done since. */
export async function takeBackAloud(revision: number) {
  const send = (headers: WriteHeaders) =>
    client.POST('/api/shows/{id}/aloud/take-back', { params: path(), body: { revision }, headers });
  return answered(await write(send));
}

export type Row = { number: number } & Partial<
  Record<'name' | 'profile' | 'address' | 'position' | 'purpose' | 'notes', string> & { newNumber: number }
>;

export const revise = (rows: Row[], preview: boolean) => edit({ type: 'revise', rows }, preview);

export const renewProfile = (profileId: string) => edit({ type: 'renew-profile', profileId }, false);

/** What is laid over the show belongs to this page. */
const ofPage = { 'Loculus-Page': page };

export async function bringUp(numbers: number[], look: string, level: number) {
  return answered(await client.PUT('/api/bring-up', { body: { numbers, look, level }, headers: ofPage }));
}

export async function endBringUp() {
  await client.DELETE('/api/bring-up');
}

export async function practise() {
  return answered(await client.POST('/api/rig/practice', { body: {} }));
}

export async function practiceResult() {
  return answered(await client.GET('/api/rig/practice/result'));
}

export async function putRigRight() {
  return answered(await client.DELETE('/api/rig/practice'));
}

export async function readChart(text: string) {
  return answered(await client.POST('/api/profiles/chart', { body: { text } }));
}

export async function attributesFor(text: string) {
  return answered(await client.POST('/api/profiles/attributes', { body: { text } }));
}

export async function checkDraft(draft: ProfileDraft, save: boolean) {
  return answered(await client.POST('/api/profiles/draft', { body: { draft, save } }));
}

export async function cloneProfile(id: string) {
  return answered(await client.GET('/api/profiles/{id}/draft', { params: { path: { id } } }));
}

export async function driveStrip(
  draft: ProfileDraft,
  mode: string,
  address: string,
  slots: Record<string, number>,
) {
  return answered(
    await client.PUT('/api/strip', { body: { draft, mode, address, slots } as never, headers: ofPage }),
  );
}

export async function endStrip() {
  await client.DELETE('/api/strip');
}

/** Sends files as a form; openapi-fetch has no words for it. */
async function send<T>(url: string, field: string, files: File[]): Promise<T> {
  const form = new FormData();
  files.forEach((f) => form.append(field, f));
  const response = await fetch(url, { method: 'POST', body: form });
  const body = (await response.json().catch(() => ({}))) as T;
  return answered(response.ok ? { data: body, response } : { error: body, response });
}

/** Holds a scene file against the show; @param take whose word counts, by key of the difference */
export async function scene(file: File, take: string[], preview: boolean): Promise<SceneView> {
  const sent = async (headers: Partial<WriteHeaders> = {}) => {
    const form = new FormData();
    form.append('file', file);
    // One that is empty says that nothing is taken; a form has only so many fields.
    form.append('take', take.join('\n'));
    const url = `/api/shows/${path().path.id}/scene${preview ? '/preview' : ''}`;
    const response = await fetch(url, {
      method: 'POST',
      body: form,
      headers: { ...headers } as Record<string, string>,
    });
    const body = (await response.json().catch(() => ({}))) as SceneView;
    return response.ok ? { data: body, response } : { error: body, response };
  };
  return answered(preview ? await sent() : await write(sent));
}

/** Puts the profiles of a scene that are another one here into the library. */
export async function profilesOfScene(file: File): Promise<string[]> {
  const form = new FormData();
  form.append('file', file);
  const response = await fetch(`/api/shows/${path().path.id}/scene/profiles`, { method: 'POST', body: form });
  const body = (await response.json().catch(() => [])) as string[];
  return answered(response.ok ? { data: body, response } : { error: body, response });
}

export const takeInProfiles = (files: File[]) => send<FileResult[]>('/api/profiles/files', 'files', files);

export async function removeProfile(id: string) {
  return answered(await client.DELETE('/api/profiles/{id}', { params: { path: { id } } }));
}

export async function takeInShow(file: File) {
  const show = await send<{ id: number }>('/api/shows/file', 'file', [file]);
  useCurrentShow.getState().set(show.id);
  return show;
}

export async function saveAsTemplate(id: number, name: string) {
  return answered(
    await write((headers) =>
      client.POST('/api/shows/{id}/template', { params: { path: { id } }, body: { name }, headers }),
    ),
  );
}

export async function archiveShow(id: number, archived: boolean) {
  return answered(
    await client.PUT('/api/shows/{id}/archived', { params: { path: { id } }, body: { archived } }),
  );
}

/** Keeps what can be read of a damaged show as a new one. */
export async function saveReadable(id: number) {
  const made = answered(await client.POST('/api/shows/{id}/readable', { params: { path: { id } } }));
  return made.missing;
}

export async function saveVersion(name: string) {
  return answered(
    await write((headers) =>
      client.POST('/api/shows/{id}/versions', { params: path(), body: { name }, headers }),
    ),
  );
}

const ofVersion = (version: number) => ({ params: { path: { id: path().path.id, version } } });

export async function deleteVersion(version: number) {
  return answered(await client.DELETE('/api/shows/{id}/versions/{version}', ofVersion(version)));
}

export async function restoreVersion(version: number) {
  return answered(
    await write((headers) =>
      client.POST('/api/shows/{id}/versions/{version}/restore', { ...ofVersion(version), headers }),
    ),
  );
}

export async function compareVersions(from: number, to: number) {
  const params = { path: { id: path().path.id, from, to } };
  return answered(await client.GET('/api/shows/{id}/versions/{from}/to/{to}', { params }));
}

/** Lets others look at a version, by a link. */
export async function showVersion(version: number) {
  return answered(
    await write((headers) =>
      client.POST('/api/shows/{id}/showings', { params: path(), body: { version }, headers }),
    ),
  );
}

export async function withdrawLink(token: string) {
  const { path: of } = path();
  return answered(
    await write((headers) =>
      client.DELETE('/api/shows/{id}/showings/{token}', { params: { path: { ...of, token } }, headers }),
    ),
  );
}
