import { useDesk, useMatch } from '../../api/queries';
import { useKept } from '../../doing/kept';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { addUp, useGesture } from '../../doing/gesture';
import { useLineReading } from '../../doing/useLineReading';

/** One step of a nudge in u′v′: about what an eye can just tell. */
const STEP = 0.002;
const FAR = 5;

const INK: Record<string, string> = { exact: 'text-moss', match: 'text-moss', close: 'text-ochre' };

/** What was matched, kept where the palette has it for its type; what that does to the palette stands beside it first. */
function Keep({ reference }: { reference: string }) {
  const changed = useDesk().data?.uses.find(
    (u) => u.changed > 0 && (u.kind === 'colour' || u.kind === 'combined'),
  );
  const text = changed
    ? `update ${changed.kind} ${changed.number} per type`
    : reference && `record ${reference} merge per type keep colour`;
  const reading = useLineReading(text);
  if (!text) return null;
  const refused = reading.problems[0]?.words;
  return (
    <div className="flex items-start gap-2 text-[12px]">
      <Button kind="main" label={text} disabled={!reading.outcome} onClick={() => void runLine(text)}>
        Keep for its type
      </Button>
      <span className={refused ? 'text-ink-2' : ''}>{refused ?? reading.outcome?.words.join(' · ')}</span>
    </div>
  );
}

/** A reference, and the selection shifted until the eye says they are alike; the difference stands beside. */
export function MatchByEye({ onClose }: { onClose: () => void }) {
  const desk = useDesk().data;
  const [typed, setTyped] = useKept('match reference', '');
  const reference = /^\d+$/.test(typed) ? Number(typed) : null;
  const match = useMatch(reference);
  const nudge = useGesture(
    ([du, dv]: [number, number]) => (du || dv ? `nudge colour by ${du.toFixed(4)}, ${dv.toFixed(4)}` : null),
    addUp,
  );
  const onKeyDown = (e: React.KeyboardEvent) => {
    const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
    if (!way) return;
    e.preventDefault();
    e.stopPropagation();
    const by = STEP * (e.shiftKey ? FAR : 1);
    void nudge([way[0]! * by, way[1]! * by]);
  };
  const held = desk?.steps.flat() ?? [];
  return (
    <div className="space-y-1.5" role="group" aria-label="Match by eye">
      <div className="flex flex-wrap items-center gap-1.5">
        <label className="flex items-center gap-1 text-[12px]">
          like
          <input
            aria-label="Number of the reference fixture"
            className={`${inputShape} !h-7 !w-16`}
            placeholder="401"
            value={typed}
            onChange={(e) => setTyped(e.target.value.replace(/\D/g, ''))}
          />
        </label>
        {held.length > 0 && !reference && (
          <Button
            label="The first selected is the reference"
            onClick={() => setTyped(held[0]!.split('.')[0]!)}
          >
            {held[0]!.split('.')[0]}
          </Button>
        )}
        {match.data?.reference && (
          <span
            className="h-7 w-9 rounded-t-[14px] border border-line-strong"
            style={{ background: match.data.reference }}
            title="what the reference shows"
          />
        )}
        <div
          role="application"
          tabIndex={0}
          aria-label="Nudge: arrows shift the colour selected, with Shift further"
          onKeyDown={onKeyDown}
          className="grid grid-cols-4 gap-0.5 rounded-md border border-line p-0.5"
        >
          {(
            [
              ['← greener', -STEP, 0],
              ['redder →', STEP, 0],
              ['↑ yellower', 0, STEP],
              ['bluer ↓', 0, -STEP],
            ] as const
          ).map(([words, du, dv]) => (
            <button
              key={words}
              disabled={held.length === 0}
              className="min-h-7 px-1 text-[12px] hover:bg-sunk disabled:text-ink-label"
              onClick={() => void nudge([du, dv])}
            >
              {words}
            </button>
          ))}
        </div>
        <Button onClick={onClose}>Plane</Button>
      </div>
      <table className="w-full text-[12px]">
        <tbody>
          {match.data?.rows.map((r, i) => (
            <tr key={i} className="border-b border-line">
              <td className="w-8">
                <span
                  className="block h-5 w-6 rounded-t-[10px] border border-line-strong"
                  style={{ background: r.shown }}
                />
              </td>
              <td className="font-bold">{r.type}</td>
              <td className="mono">{r.units}</td>
              <td className={INK[r.grade] ?? 'font-bold text-ochre'}>{r.difference}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {held.length > 0 && <Keep reference={match.data?.palette ?? ''} />}
      {reference !== null && match.error && (
        <p className="text-[12px] text-madder">There is no fixture {reference}.</p>
      )}
    </div>
  );
}
