import { useNavigate } from 'react-router';
import { select } from '../../api/commands';
import { useGaps } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { StateMark, type State } from '../../ui/StateMark';

/** What there is to see before handing over; each can be taken in hand in the patch. */
export function CheckPage() {
  const gaps = useGaps().data;
  const navigate = useNavigate();
  if (!gaps) return <p className="p-6 text-ink-2">Looking the show over…</p>;
  const hold = async (numbers: number[]) => {
    await attempt(() => select(numbers.map(String), 'hold'));
    void navigate('/patch');
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 p-3">
      <h1 className="font-serif text-[22px] font-semibold">Check</h1>
      {gaps.length === 0 ? (
        <p className="font-serif text-[18px] text-moss">● There is nothing to see.</p>
      ) : (
        <ul
          aria-label="To see"
          className="min-h-0 max-w-4xl overflow-auto rounded-lg border border-line-strong bg-sheet"
        >
          {gaps.map((g) => (
            <li
              key={g.words}
              className="flex min-h-10 items-center gap-3 border-b border-line px-3 py-1 last:border-0"
            >
              <StateMark state={g.state as State} />
              <span className="min-w-0 flex-1">{g.words}</span>
              <Button onClick={() => void hold(g.numbers)}>Take in hand</Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
