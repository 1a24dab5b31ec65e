import { answered, client, type LineResponse } from './client';
import { useCurrentShow } from './current-show';

const path = () => {
  const id = useCurrentShow.getState().id;
  if (id === null) throw new Error('No show is open.');
  return { path: { id } };
};

/** Reads or does a typed line. Throws RefusedError with the place and the ways out. */
export async function line(text: string, preview = false, gesture = ''): Promise<LineResponse> {
  return answered(
    await client.POST('/api/shows/{id}/line', { params: path(), body: { text, preview, gesture } }),
  );
}

async function edit(body: unknown) {
  const post = { params: path(), body: body as never };
  return answered(await client.POST('/api/shows/{id}/edits', post));
}

export const select = (units: string[], how: 'hold' | 'add' | 'less') =>
  edit({ edit: { type: 'select', units, how } });

export const place = (places: { number: number; x: number; y: number; z: number }[]) =>
  edit({ edit: { type: 'place', places } });

export async function undo() {
  return answered(await client.POST('/api/shows/{id}/undo', { params: path() }));
}

export async function redo() {
  return answered(await client.POST('/api/shows/{id}/redo', { params: path() }));
}

export async function createShow(name: string) {
  const show = answered(await client.POST('/api/shows', { body: { name } }));
  useCurrentShow.getState().set(show.id);
  return show;
}

export async function openShow(id: number) {
  const show = answered(await client.POST('/api/shows/{id}/live', { params: { path: { id } } }));
  useCurrentShow.getState().set(show.id);
  return show;
}

export interface HookupChoice {
  text: string;
  mapping: Record<string, string>;
  clashing: string;
  preview: boolean;
}

export async function hookup(body: HookupChoice) {
  return answered(await client.POST('/api/shows/{id}/hookup', { params: path(), body }));
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
