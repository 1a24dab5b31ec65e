import { useEffect, useState } from 'react';
import { RefusedError, type LineResponse, type ProblemView } from '../../api/client';
import { line } from '../../api/commands';
import { useShow } from '../../api/queries';

export interface Reading {
  text: string;
  outcome: LineResponse | null;
  problems: ProblemView[];
}

/** What a line would do to the show as it is now; nothing for an empty one. */
export function useLineReading(text: string): Reading {
  const revision = useShow().data?.revision;
  const [reading, setReading] = useState<Reading>({ text: '', outcome: null, problems: [] });
  useEffect(() => {
    if (!text) return;
    let stale = false;
    const timer = window.setTimeout(async () => {
      try {
        const outcome = await line(text, true);
        if (!stale) setReading({ text, outcome, problems: [] });
      } catch (error) {
        if (!stale)
          setReading({ text, outcome: null, problems: error instanceof RefusedError ? error.problems : [] });
      }
    }, 120);
    return () => {
      stale = true;
      window.clearTimeout(timer);
    };
  }, [text, revision]);
  return text ? reading : { text: '', outcome: null, problems: [] };
}
