import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { rigOf, setRig } from '../../api/commands';
import { attempt } from '../../doing/notices';
import { useShow } from '../../api/queries';
import { useShownDevices } from '../../doing/useShownDevices';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';

/** How one fixture really hangs in the virtual rig; it can be set wrong, to see what a wrong patch looks like. */
export function RigOfOne({ number }: { number: number }) {
  const revision = useShow().data?.revision;
  const queries = useQueryClient();
  const rig = useQuery({
    queryKey: ['rig', number, revision],
    queryFn: () => rigOf(number),
    retry: false,
    placeholderData: (b) => b,
  });
  const [address, setAddress] = useState('');
  const [shows, setShows] = useState(false);
  useShownDevices([number], shows);
  const set = async (to: string, dead: boolean) => {
    await attempt(() => setRig(number, to, dead));
    setAddress('');
    await queries.invalidateQueries({ queryKey: ['rig', number] });
  };
  if (!rig.data || rig.data.number !== number) return null;
  const { asPatched, dead } = rig.data;
  return (
    <div className="space-y-1.5 border-t border-line pt-2">
      <div>
        <span className="caps">In the virtual rig</span> <b className="mono">{number}</b>{' '}
        {dead ? (
          <span className="font-semibold text-madder">■ is dead</span>
        ) : (
          <>
            hangs at <span className="mono">{rig.data.address || 'no address'}</span>
            {asPatched ? (
              ', as patched'
            ) : (
              <span className="font-semibold text-madder"> ■ not as patched</span>
            )}
          </>
        )}{' '}
        · gives {Math.round(rig.data.intensity * 100)} %
      </div>
      <form
        className="flex flex-wrap gap-1.5"
        onSubmit={(e) => {
          e.preventDefault();
          void set(address, false);
        }}
      >
        <input
          aria-label="Address it really hangs at"
          placeholder="3.201"
          className={`${inputShape} !w-20`}
          value={address}
          onChange={(e) => setAddress(e.target.value)}
        />
        <Button type="submit" disabled={!address}>
          Set its own address
        </Button>
        <Button onClick={() => void set('', !dead)}>{dead ? 'Bring to life' : 'Make it dead'}</Button>
        <Button disabled={asPatched && !dead} onClick={() => void set('', false)}>
          As patched
        </Button>
        <Button
          pressed={shows}
          onClick={() => setShows(!shows)}
          label="Its device identifies itself, whatever it receives"
        >
          Identify
        </Button>
      </form>
    </div>
  );
}
