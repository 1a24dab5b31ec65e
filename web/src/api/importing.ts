import { answered, client } from './client';
import { path } from './commands';
import type { components } from './schema';
import { write, type WriteHeaders } from './writing';

export type ImportablePart = components['schemas']['ImportablePart'];

/** All that can be taken of a show. */
export async function importableOf(id: number) {
  return answered(await client.GET('/api/shows/{id}/importable', { params: { path: { id } } }));
}

/** Takes parts of another show with all that they refer to; with preview it is told and not done. */
export async function importParts(
  from: number,
  keys: string[],
  match: 'number' | 'type',
  answers: { theirs: number; ours: number }[],
  preview: boolean,
) {
  const body = { from, keys, match, answers, preview };
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/import', { params: path(), body, headers });
  return preview ? answered(await send()) : answered(await write(send));
}
