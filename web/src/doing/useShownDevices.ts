import { useEffect } from 'react';
import { useCurrentShow } from '../api/current-show';
import { identify } from '../api/devices';
import { attempt } from './notices';

/** The devices of these fixtures show themselves on the stage while it is on, and no more when others do or it is left. */
export function useShownDevices(numbers: number[], on: boolean) {
  const who = on ? numbers.join(' ') : '';
  useEffect(() => {
    if (who === '') return;
    const fixtures = who.split(' ').map(Number);
    void attempt(() => identify({ numbers: fixtures }, true));
    const show = useCurrentShow.getState().id;
    const off = () => {
      // Another show is another rig: nothing of this one is identified there.
      if (useCurrentShow.getState().id !== show) return;
      void identify({ numbers: fixtures }, false, true).catch(() => undefined);
    };
    // Nobody else would end what a window that is closed has begun.
    window.addEventListener('pagehide', off);
    return () => {
      window.removeEventListener('pagehide', off);
      off();
    };
  }, [who]);
}
