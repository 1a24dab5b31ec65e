import { answered, client } from './client';
import { path } from './commands';
import { useCurrentShow } from './current-show';
import type { components } from './schema';
import { write } from './writing';

export type RigMove = components['schemas']['RigMoveView'];
export type PairView = components['schemas']['PairView'];
export type RigFixture = components['schemas']['RigFixtureView'];
export type FateView = components['schemas']['FateView'];
export type RigMoveRequest = components['schemas']['RigMoveRequest'];

export type NewerProfile = components['schemas']['NewerProfileView'];

/** What taking the library's profile in place of the show's own would change on stage. */
export async function newerProfile(profile: string): Promise<NewerProfile> {
  const params = { path: { ...path().path, profile } };
  return answered(await client.GET('/api/shows/{id}/profiles/{profile}/newer', { params }));
}

/** What moving the show to another rig would do. */
export async function previewMove(body: RigMoveRequest) {
  return answered(await client.POST('/api/shows/{id}/rig/preview', { params: path(), body }));
}

/** Makes the show on the other rig, and opens it. */
export async function makeMove(body: RigMoveRequest) {
  const made = answered(
    await write((headers) => client.POST('/api/shows/{id}/rig', { params: path(), body, headers })),
  );
  useCurrentShow.getState().set(made.id);
  return made;
}

/** Keeps a rig from a hookup, a scene or a show file as a show beside the open one. */
export async function rigFromFile(file: File): Promise<{ id: number; name: string }> {
  const form = new FormData();
  form.append('file', file);
  const response = await fetch(`/api/shows/${path().path.id}/rig/file`, { method: 'POST', body: form });
  const body = (await response.json().catch(() => ({}))) as { id: number; name: string };
  return answered(response.ok ? { data: body, response } : { error: body, response });
}

/** The report as a file. */
export async function moveReport(form: 'pdf' | 'xlsx', body: RigMoveRequest) {
  const params = { path: { ...path().path, form } };
  const blob = answered(
    await client.POST('/api/shows/{id}/rig/report.{form}', { params, body, parseAs: 'blob' }),
  ) as unknown as Blob;
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `another rig.${form}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
