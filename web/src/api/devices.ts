import { answered, client } from './client';
import { path } from './commands';
import { write, type WriteHeaders } from './writing';

/** Looks for everything that hangs on the lines. */
export async function searchDevices() {
  return answered(await client.POST('/api/shows/{id}/devices/search', { params: path() }));
}

/** Sets devices to what is patched; with preview it is told and not done. */
export async function setDevices(keys: string[], preview: boolean) {
  return answered(
    await client.POST('/api/shows/{id}/devices/set', { params: path(), body: { keys, preview } }),
  );
}

/** The patch becomes what devices say; with preview it is told and not done. */
export async function takeDevices(keys: string[], preview: boolean) {
  const send = (headers: WriteHeaders = {}) =>
    client.POST('/api/shows/{id}/devices/take', { params: path(), body: { keys, preview }, headers });
  return preview ? answered(await send()) : answered(await write(send));
}

/** Keeps which device is which fixture: of one, or of all that are told apart. */
export async function knowDevices(one?: { uid: string; number: number }) {
  return answered(
    await write((headers) =>
      client.POST('/api/shows/{id}/devices/know', { params: path(), body: one ?? {}, headers }),
    ),
  );
}

/** Devices show themselves on the stage, or no more. @param leaving whether it is sent even when the page goes */
export async function identify(who: { numbers?: number[]; keys?: string[] }, on: boolean, leaving = false) {
  return answered(
    await client.PUT('/api/shows/{id}/devices/identify', {
      params: path(),
      body: { numbers: who.numbers ?? [], keys: who.keys ?? [], on },
      keepalive: leaving,
    }),
  );
}

/** No device shows itself any more. */
export async function endShowing() {
  return answered(await client.DELETE('/api/shows/{id}/devices/identify', { params: path() }));
}

export async function tellDevice(key: string, what: 'label' | 'lamp' | 'reset', value = '') {
  return answered(
    await client.PUT('/api/shows/{id}/devices/tell', { params: path(), body: { key, what, value } }),
  );
}
