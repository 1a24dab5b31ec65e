import { useEffect, useState, type RefCallback } from 'react';

/** A ref, and whether what it is put on was ever in sight. */
export function useInSight(): [RefCallback<HTMLElement>, boolean] {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [seen, setSeen] = useState(false);
  useEffect(() => {
    if (!at || seen) return;
    const watch = new IntersectionObserver((entries) => {
      if (entries.some((e) => e.isIntersecting)) setSeen(true);
    });
    watch.observe(at);
    return () => watch.disconnect();
  }, [at, seen]);
  return [setAt, seen];
}
