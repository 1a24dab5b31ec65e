import { useRef, useState } from 'react';
import type { StarterEffectView } from '../../../api/client';
import { useEffectStarters } from '../../../api/queries';
import { useOnce } from '../../../doing/once';
import { quoted } from '../../../doing/run';
import { Button } from '../../../ui/Button';
import { Modal } from '../../../ui/Modal';
import { runLines } from '../../../doing/run-lines';
import { useAnimation } from '../../playing/useAnimation';

/** The obvious effects for what is patched, each seen on a plan before it is kept. */
export function StarterEffects({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} wide title="Starter effects" onClose={onClose}>
      <Choosing onDone={onClose} />
    </Modal>
  );
}

function Choosing({ onDone }: { onDone: () => void }) {
  const starters = useEffectStarters(true).data;
  const [left, setLeft] = useState<Set<string>>(new Set());
  const [looked, setLooked] = useState<string | null>(null);
  if (!starters) return <p className="text-ink-2">Looking at the patch…</p>;
  if (starters.length === 0)
    return <p className="text-ink-2">Patch fixtures first; effects are made for what they can do.</p>;
  const ticked = starters.filter((s) => !s.there && !left.has(s.effect.name));
  const shown = starters.find((s) => s.effect.name === looked) ?? starters[0]!;
  return (
    <div className="flex gap-4">
      <ul className="w-72 shrink-0 space-y-1">
        {starters.map((s) => (
          <li
            key={s.effect.name}
            className={`rounded-md border px-2 py-1 ${s === shown ? 'border-petrol bg-petrol-soft' : 'border-line'}`}
            onMouseEnter={() => setLooked(s.effect.name)}
            onFocus={() => setLooked(s.effect.name)}
          >
            <label className="flex min-h-7 items-center gap-1.5 font-semibold">
              <input
                type="checkbox"
                disabled={s.there}
                checked={!s.there && !left.has(s.effect.name)}
                onChange={() => {
                  const next = new Set(left);
                  if (!next.delete(s.effect.name)) next.add(s.effect.name);
                  setLeft(next);
                }}
              />
              {s.effect.name}
              <span className="ml-auto text-[12px] font-normal text-ink-2">
                {s.there ? 'is there already' : `${s.able} ${s.able === 1 ? 'fixture' : 'fixtures'}`}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <div className="min-w-0 flex-1 space-y-2">
        <Trial key={shown.effect.name} starter={shown} />
        <p className="text-[13px] text-ink-2">{shown.effect.words}</p>
        <Keep names={ticked.map((s) => s.effect.name)} onDone={onDone} />
      </div>
    </div>
  );
}

function Keep({ names, onDone }: { names: string[]; onDone: () => void }) {
  const record = useOnce(async () => {
    if (await runLines([`starter effects ${names.map(quoted).join(' + ')}`])) onDone();
  });
  return (
    <div className="flex items-center gap-2">
      <Button kind="main" first disabled={names.length === 0} onClick={() => void record()}>
        Record {names.length} {names.length === 1 ? 'effect' : 'effects'}
      </Button>
      <span className="text-[12px] text-ink-2">One step, undone as one. Nothing moves on stage yet.</span>
    </div>
  );
}

const WIDTH = 420;
const HEIGHT = 240;
const INSET = 24;

/** Some of those who can do it, seen from above: how bright, in which colour, and where the beam lands. */
function Trial({ starter }: { starter: StarterEffectView }) {
  const { lights, frames } = starter.trial;
  const spots = useRef<(SVGCircleElement | null)[]>([]);
  const beams = useRef<(SVGLineElement | null)[]>([]);
  const all = [
    ...lights,
    ...(frames.flat().filter((s) => s.x != null && Math.abs(s.x) < 30 && Math.abs(s.y!) < 30) as {
      x: number;
      y: number;
    }[]),
  ];
  const [minX, maxX] = [Math.min(...all.map((l) => l.x)), Math.max(...all.map((l) => l.x))];
  const [minY, maxY] = [Math.min(...all.map((l) => l.y)), Math.max(...all.map((l) => l.y))];
  const scale = Math.min(
    (WIDTH - 2 * INSET) / Math.max(1, maxX - minX),
    (HEIGHT - 2 * INSET) / Math.max(1, maxY - minY),
  );
  const x = (v: number) => WIDTH / 2 + (v - (minX + maxX) / 2) * scale;
  const y = (v: number) => HEIGHT / 2 - (v - (minY + maxY) / 2) * scale;
  useAnimation(() => {
    if (frames.length === 0) return;
    const turns = (performance.now() / 60_000) * Math.max(0.1, starter.effect.rate);
    const frame = frames[Math.floor((turns % 1) * frames.length)]!;
    frame.forEach((s, i) => {
      spots.current[i]?.setAttribute('fill', s.colour);
      spots.current[i]?.setAttribute('opacity', String(0.08 + 0.92 * s.level));
      const beam = beams.current[i];
      if (beam && s.x != null) {
        beam.setAttribute('x2', String(x(s.x)));
        beam.setAttribute('y2', String(y(s.y!)));
        beam.setAttribute('stroke', s.colour);
        beam.setAttribute('opacity', String(0.5 * s.level));
      }
    });
  });
  if (lights.length === 0)
    return (
      <p className="text-ink-2">
        The fixtures that can do it have no place on the plan yet, so it cannot be seen there.
      </p>
    );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full rounded-lg bg-stage"
      role="img"
      aria-label={`${starter.effect.name} on ${lights.length} lights, seen from above`}
    >
      {lights.map((l, i) => (
        <g key={l.number}>
          <line
            ref={(e) => {
              beams.current[i] = e;
            }}
            x1={x(l.x)}
            y1={y(l.y)}
            x2={x(l.x)}
            y2={y(l.y)}
            strokeWidth="2"
          />
          <circle
            ref={(e) => {
              spots.current[i] = e;
            }}
            cx={x(l.x)}
            cy={y(l.y)}
            r="7"
            stroke="var(--stage-line, #667)"
            strokeWidth="1"
          />
        </g>
      ))}
    </svg>
  );
}
