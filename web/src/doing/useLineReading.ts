import { useEffect, useState } from 'react';
import { edit, line, type Edit } from '../api/commands';
import { RefusedError, type LineResponse, type ProblemView } from '../api/client';
import { useShow } from '../api/queries';

export interface Reading {
  text: string;
  outcome: LineResponse | null;
  problems: ProblemView[];
}

const PAUSE_MS = 120;
const NOTHING: Reading = { text: '', outcome: null, problems: [] };

/** Asks what would happen, whenever the question or the show has changed. */
function useForeseen(key: string, ask: () => Promise<LineResponse>): Reading {
  const revision = useShow().data?.revision;
  const [reading, setReading] = useState<Reading>(NOTHING);
  useEffect(() => {
    if (!key) return;
    let stale = false;
    const timer = window.setTimeout(async () => {
      try {
        const outcome = await ask();
        if (!stale) setReading({ text: key, outcome, problems: [] });
      } catch (error) {
        if (!stale)
          setReading({
            text: key,
            outcome: null,
            problems: error instanceof RefusedError ? error.problems : [],
          });
      }
    }, PAUSE_MS);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
    // The question is its key; a new function alone asks nothing new.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, revision]);
  return key ? reading : NOTHING;
}

/** What a line would do to the show as it is now; nothing for an empty one. */
export const useLineReading = (text: string) => useForeseen(text, () => line(text, true));

/** What a typed edit would do; nothing for none. */
export const useEditReading = (what: Edit | null) =>
  useForeseen(what ? JSON.stringify(what) : '', () => edit(what!, true));
