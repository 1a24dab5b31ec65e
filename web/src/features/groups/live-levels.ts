import { useEffect } from 'react';
import type { GroupView } from '../../api/client';
import { rig } from '../../api/live';

/** Milliseconds between two looks; quicker than that nobody reads a bar. */
const EVERY_MS = 200;
/** Units looked at of one group; of a larger one they stand for the others. */
const MOST_UNITS = 200;

/** How bright the brightest of a group is now, 0 to 1, as the virtual rig receives it. */
function brightest(units: string[]): number {
  let most = 0;
  const step = Math.max(1, Math.floor(units.length / MOST_UNITS));
  for (let i = 0; i < units.length && most < 1; i += step) {
    const unit = units[i]!;
    const part = rig.parts.get(unit.includes('.') ? unit : `${unit}.0`);
    if (part) most = Math.max(most, part.intensity);
    else for (let c = 1, p; (p = rig.parts.get(`${unit}.${c}`)); c++) most = Math.max(most, p.intensity);
  }
  return most;
}

/** Keeps the bars in the niches at the level of their groups, without drawing anything anew. */
export function useLiveLevels(groups: GroupView[]) {
  useEffect(() => {
    let seen = -1;
    const look = () => {
      if (rig.version === seen) return;
      seen = rig.version;
      for (const group of groups) {
        const bar = document.querySelector<HTMLElement>(`[data-level="${group.number}"]`);
        if (!bar) continue;
        const percent = Math.round(brightest(group.units) * 100);
        if (bar.dataset.percent === String(percent)) continue;
        bar.dataset.percent = String(percent);
        bar.style.height = `${percent}%`;
      }
    };
    look();
    const timer = window.setInterval(look, EVERY_MS);
    return () => window.clearInterval(timer);
  }, [groups]);
}
