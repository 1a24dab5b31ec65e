import type { FixtureView } from '../../api/client';
import { heldNow } from '../../api/queries';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';

const WAYS = [
  { pan: true, words: 'Pan inverted' },
  { pan: false, words: 'Tilt inverted' },
];

/** Which ways the selected heads are set to turn the other way round; nothing where none of them turns. */
export function Inverting({ fixtures }: { fixtures: FixtureView[] }) {
  const heads = fixtures.filter((f) => f.turns);
  if (heads.length === 0) return null;
  return WAYS.map(({ pan, words }) => {
    const on = heads.every((f) => (pan ? f.panInverted : f.tiltInverted));
    const invert = async () =>
      runEdit({ type: 'invert-heads', numbers: await heldNow(), ...(pan ? { pan: !on } : { tilt: !on }) });
    return (
      <Button
        key={words}
        pressed={on}
        label={`${words}, as the heads are set themselves: values stay, what is sent is turned over`}
        onClick={() => void invert()}
      >
        {words}
      </Button>
    );
  });
}
