import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';

export interface KnownPoint {
  was: { x: number; y: number; z: number };
  is: { x: number; y: number; z: number };
}

interface Typed {
  was: string;
  is: string;
}

const NONE: Typed = { was: '', is: '' };

/** `0, 3, 1.6` in metres; null for what is no place. */
export function place(text: string): KnownPoint['was'] | null {
  const parts = text.split(/[,;]\s*/).map((t) => (t.trim() === '' ? NaN : Number(t)));
  return parts.length === 3 && parts.every(Number.isFinite)
    ? { x: parts[0]!, y: parts[1]!, z: parts[2]! }
    : null;
}

/** Where places of the stage are in the other room: one tells how it is shifted, two how it is turned, three all. */
export function KnownPoints({
  points,
  onChange,
}: {
  points: KnownPoint[];
  onChange: (points: KnownPoint[]) => void;
}) {
  const [typing, setTyping] = useState<Typed[] | null>(null);
  const text = (p: KnownPoint['was']) => `${p.x}, ${p.y}, ${p.z}`;
  const read = (typing ?? []).map((t) => ({ was: place(t.was), is: place(t.is) }));
  const done = read.filter((r): r is KnownPoint => r.was !== null && r.is !== null);
  const set = (i: number, change: Partial<Typed>) =>
    setTyping((now) => (now ?? []).map((t, at) => (at === i ? { ...t, ...change } : t)));
  return (
    <>
      <Button
        label="Where places of the stage are in the other room; without them marks of the same name are taken"
        onClick={() =>
          setTyping(points.length > 0 ? points.map((p) => ({ was: text(p.was), is: text(p.is) })) : [NONE])
        }
      >
        {points.length === 0
          ? 'Known points…'
          : `${points.length} known ${points.length === 1 ? 'point' : 'points'}…`}
      </Button>
      <Modal open={typing !== null} title="Known points" onClose={() => setTyping(null)}>
        <form
          aria-label="Known points"
          className="space-y-3"
          onSubmit={(e) => {
            e.preventDefault();
            onChange(done);
            setTyping(null);
          }}
        >
          <p className="text-ink-2">
            Across, upstage and up, in metres. One point tells how the stage is shifted there, two how it is
            turned, three all of it. Without any, marks of the same name are taken.
          </p>
          {(typing ?? []).map((t, i) => (
            <div key={i} className="flex items-center gap-2">
              <input
                autoFocus={i === 0}
                aria-label={`Point ${i + 1} in this show`}
                aria-invalid={t.was !== '' && place(t.was) === null}
                placeholder="here: 0, 3, 0"
                className={`${inputShape} !w-44`}
                value={t.was}
                onChange={(e) => set(i, { was: e.target.value })}
              />
              is at
              <input
                aria-label={`Point ${i + 1} in the other room`}
                aria-invalid={t.is !== '' && place(t.is) === null}
                placeholder="there: 1, 4, 0.2"
                className={`${inputShape} !w-44`}
                value={t.is}
                onChange={(e) => set(i, { is: e.target.value })}
              />
              <button
                type="button"
                aria-label={`Leave point ${i + 1} out`}
                className="min-h-7 px-1 text-ink-2"
                onClick={() => setTyping((now) => (now ?? []).filter((_, at) => at !== i))}
              >
                <X size={14} aria-hidden />
              </button>
            </div>
          ))}
          <div className="flex gap-2">
            <Button type="submit" kind="main">
              {done.length === 0 ? 'Without points' : `Use ${done.length}`}
            </Button>
            <Button onClick={() => setTyping((now) => [...(now ?? []), NONE])}>
              <Plus size={14} aria-hidden /> Another point
            </Button>
          </div>
        </form>
      </Modal>
    </>
  );
}
