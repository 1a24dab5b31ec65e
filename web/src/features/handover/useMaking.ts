import { useRef, useState } from 'react';
import { answered, client, RefusedError } from '../../api/client';
import { useNotice } from '../../doing/notices';
import { soFar } from './paper-model';

const POLL_MS = 300;

/** Lets the browser keep what was fetched. */
function save(blob: Blob, name: string) {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  window.setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

const named = (disposition: string | null) => {
  const wide = disposition?.match(/filename\*=UTF-8''([^;]+)/i)?.[1];
  return wide ? decodeURIComponent(wide) : (disposition?.match(/filename="([^"]+)"/)?.[1] ?? 'show');
};

/** Fetches a file that takes a while to make, says how far it is, and stops it when it is not wanted any more. */
export function useMaking() {
  const [words, setWords] = useState('');
  const name = useRef('');
  const make = async (address: string) => {
    if (name.current) return false;
    const mine = crypto.randomUUID();
    name.current = mine;
    setWords('beginning…');
    const timer = window.setInterval(async () => {
      try {
        const stage = answered(await client.GET('/api/making/{name}', { params: { path: { name: mine } } }));
        if (name.current === mine && stage.of > 0) setWords(soFar(stage));
      } catch {
        // The next look tells.
      }
    }, POLL_MS);
    try {
      const response = await fetch(`${address}${address.includes('?') ? '&' : '?'}making=${mine}`);
      if (!response.ok) {
        const body = (await response.json()) as { detail?: string; problems?: never[] };
        throw new RefusedError(body.detail ?? 'It could not be made.', body.problems ?? []);
      }
      save(await response.blob(), named(response.headers.get('Content-Disposition')));
      return true;
    } catch (error) {
      const stopped = name.current !== mine;
      if (!stopped)
        useNotice.setState({
          notice: {
            words: error instanceof RefusedError ? error.message : 'The application does not answer.',
            problems: [],
          },
        });
      return false;
    } finally {
      window.clearInterval(timer);
      if (name.current === mine) name.current = '';
      setWords('');
    }
  };
  const stop = () => {
    const mine = name.current;
    name.current = '';
    setWords('');
    if (mine) void client.DELETE('/api/making/{name}', { params: { path: { name: mine } } });
  };
  return { words, make, stop };
}
