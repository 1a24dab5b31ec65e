import { useMemo, useRef, useState } from 'react';
import { useDesk, useMarks, usePatch, usePalettes } from '../../api/queries';
import type { Schemas } from '../../api/client';
import { runLine } from '../../doing/run-line';
import { quoted } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { useLineReading } from '../../doing/useLineReading';
import { Choosing } from './Choosing';
import { Choice } from '../../ui/Choice';

type Point = [string, string, string];
interface Known {
  was: Point;
  is: Point;
}
type What = 'stage' | 'lights' | 'hand';

const MOST = 3;
const NUMBER = /^-?\d+(\.\d+)?$/;
const whole = (p: Point) => p.every((n) => NUMBER.test(n));

const textOf = (m: { x: number; y: number; z: number }): Point => [String(m.x), String(m.y), String(m.z)];

/** The line that says it; empty as long as a point is not whole. */
function lineOf(what: What, known: Known[], positions: number[], marks: string[]): string {
  if (!known.every((k) => whole(k.was) && whole(k.is))) return '';
  return [
    'realign',
    { stage: '', lights: 'lights', hand: 'lights hand' }[what],
    positions.length > 0 && `position ${positions.join(' + ')}`,
    marks.length > 0 && `mark ${marks.map(quoted).join(' + ')}`,
    known.map((k) => `${k.was.join(', ')} to ${k.is.join(', ')}`).join(' + '),
  ]
    .filter(Boolean)
    .join(' ');
}

/** Positions follow what was moved: up to three known points say how, the plan shows it before it happens. */
export function Realign({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} wide title="Re-aim by known points" onClose={onClose}>
      <Inside onClose={onClose} />
    </Modal>
  );
}

function Inside({ onClose }: { onClose: () => void }) {
  const marks = useMarks().data ?? [];
  const positions = (usePalettes().data ?? []).filter((p) => p.kind === 'position');
  const held = (useDesk().data?.steps.length ?? 0) > 0;
  const fresh = (n: number): Known => {
    const at: Point = marks[n] ? textOf(marks[n]) : ['0', '0', '0'];
    return { was: at, is: at };
  };
  const [what, setWhat] = useState<What>('stage');
  const [known, setKnown] = useState<Known[]>([fresh(0)]);
  const [only, setOnly] = useState<{ positions: number[]; marks: string[] }>({ positions: [], marks: [] });
  /** Which point a press on the plan sets. */
  const [writing, setWriting] = useState<{ row: number; side: keyof Known }>({ row: 0, side: 'is' });
  const text = lineOf(what, known, only.positions, what === 'stage' ? only.marks : []);
  const reading = useLineReading(text);
  const put = (row: number, side: keyof Known, point: Point) =>
    setKnown(known.map((k, i) => (i === row ? { ...k, [side]: point } : k)));
  const outcome = reading.outcome;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_420px] gap-4">
      <div className="min-w-0 space-y-3">
        <Segmented
          label="What was moved"
          value={what}
          onChange={setWhat}
          options={[
            { value: 'stage', text: 'The stage, what is lit' },
            { value: 'lights', text: 'All lights' },
            ...(held ? [{ value: 'hand' as const, text: 'Lights selected' }] : []),
          ]}
        />
        <table className="w-full text-[12px]">
          <thead>
            <tr className="caps text-left">
              <th>Was (x, y, z in metres)</th>
              <th>Is now</th>
              <td />
            </tr>
          </thead>
          <tbody>
            {known.map((k, row) => (
              <tr key={row}>
                {(['was', 'is'] as const).map((side) => (
                  <td key={side} className="py-0.5 pr-2">
                    <div
                      className={`flex gap-1 rounded-md p-0.5 ${writing.row === row && writing.side === side ? 'bg-petrol-soft' : ''}`}
                      onFocus={() => setWriting({ row, side })}
                    >
                      {k[side].map((n, axis) => (
                        <input
                          key={axis}
                          aria-label={`Point ${row + 1} ${side === 'was' ? 'was at' : 'is at'} ${'xyz'[axis]}`}
                          aria-invalid={!NUMBER.test(n)}
                          className={`${inputShape} !h-7 !px-1 ${NUMBER.test(n) ? '' : 'border-madder'}`}
                          value={n}
                          onChange={(e) =>
                            put(
                              row,
                              side,
                              k[side].map((old, i) => (i === axis ? e.target.value.trim() : old)) as Point,
                            )
                          }
                        />
                      ))}
                    </div>
                  </td>
                ))}
                <td className="w-8">
                  {known.length > 1 && (
                    <button
                      aria-label={`Without point ${row + 1}`}
                      className="min-h-7 min-w-7 text-ink-2 hover:text-madder"
                      onClick={() => {
                        setWriting({ row: 0, side: 'is' });
                        setKnown(known.filter((_, i) => i !== row));
                      }}
                    >
                      ×
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="flex flex-wrap items-center gap-2 text-[12px]">
          <Button
            disabled={known.length >= MOST}
            onClick={() => {
              setWriting({ row: known.length, side: 'is' });
              setKnown([...known, fresh(known.length)]);
            }}
          >
            + point
          </Button>
          {marks.length > 0 && (
            <Choice
              label="It was at this mark"
              value=""
              empty={`point ${writing.row + 1} was at a mark…`}
              options={marks.map((m) => m.name)}
              onChange={(name) => {
                const mark = marks.find((m) => m.name === name);
                if (mark) put(writing.row, 'was', textOf(mark));
              }}
            />
          )}
          <span className="text-ink-label">
            {
              ['one point: shifted', 'two: turned about the vertical too', 'three: tilted as well'][
                known.length - 1
              ]
            }
          </span>
        </div>
        <Choosing
          marks={what === 'stage' ? marks.map((m) => m.name) : []}
          positions={positions}
          only={only}
          onChange={setOnly}
        />
        <div className="space-y-1 text-[13px]" role="status" aria-live="polite">
          {reading.problems.length > 0 && <ProblemList problems={reading.problems} onLine={() => {}} />}
          {outcome && (
            <>
              {outcome.words.map((w) => (
                <p key={w}>{w}</p>
              ))}
              <ProblemList problems={outcome.problems} onLine={() => {}} />
            </>
          )}
        </div>
        <Button
          kind="main"
          label={text}
          disabled={!outcome?.changes}
          onClick={() => void runLine(text).then(onClose)}
        >
          Re-aim
        </Button>
      </div>
      <Plan
        carried={outcome?.carried ?? []}
        known={known}
        onPress={(x, y) => put(writing.row, writing.side, [x, y, known[writing.row]![writing.side][2]])}
      />
    </div>
  );
}

const WIDTH = 420;
const HEIGHT = 330;
const INSET = 22;

/** The stage from above: what is carried as arrows, the known points as rings; a press sets the point being written. */
function Plan({
  carried,
  known,
  onPress,
}: {
  carried: Schemas['Carried'][];
  known: Known[];
  onPress: (x: string, y: string) => void;
}) {
  const patch = usePatch().data;
  const marks = useMarks().data;
  const svg = useRef<SVGSVGElement>(null);
  const placed = useMemo(() => (patch?.fixtures ?? []).filter((f) => f.placed), [patch]);
  const view = useMemo(() => {
    const all = [...placed, ...(marks ?? []), { x: -3, y: -2 }, { x: 3, y: 4 }];
    const [minX, maxX] = [Math.min(...all.map((p) => p.x)), Math.max(...all.map((p) => p.x))];
    const [minY, maxY] = [Math.min(...all.map((p) => p.y)), Math.max(...all.map((p) => p.y))];
    const scale = Math.min((WIDTH - 2 * INSET) / (maxX - minX), (HEIGHT - 2 * INSET) / (maxY - minY));
    const [midX, midY] = [(minX + maxX) / 2, (minY + maxY) / 2];
    return {
      x: (x: number) => WIDTH / 2 + (x - midX) * scale,
      y: (y: number) => HEIGHT / 2 - (y - midY) * scale,
      stage: (px: number, py: number) => ({
        x: midX + (px - WIDTH / 2) / scale,
        y: midY - (py - HEIGHT / 2) / scale,
      }),
    };
  }, [placed, marks]);
  const press = (e: React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    const at = view.stage(
      ((e.clientX - box.left) / box.width) * WIDTH,
      ((e.clientY - box.top) / box.height) * HEIGHT,
    );
    onPress(at.x.toFixed(2), at.y.toFixed(2));
  };
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full self-start rounded-md bg-stage"
      role="img"
      aria-label="Plan of what moves"
      onPointerDown={press}
    >
      <defs>
        <marker id="arrow" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M0 0 L8 4 L0 8 Z" className="fill-stage-ink" />
        </marker>
      </defs>
      {placed.map((f) => (
        <circle key={f.number} cx={view.x(f.x)} cy={view.y(f.y)} r={1.6} className="fill-stage-ink/50" />
      ))}
      {(marks ?? []).map((m) => (
        <g key={m.id}>
          <path d={`M${view.x(m.x) - 4} ${view.y(m.y) + 3} h8 l-4 -8 z`} className="fill-stage-ink" />
          <text x={view.x(m.x) + 5} y={view.y(m.y) + 3} className="fill-stage-ink text-[10px]">
            {m.name}
          </text>
        </g>
      ))}
      {carried.map((c, i) => (
        <line
          key={i}
          x1={view.x(c.from.x)}
          y1={view.y(c.from.y)}
          x2={view.x(c.to.x)}
          y2={view.y(c.to.y)}
          markerEnd="url(#arrow)"
          strokeDasharray={c.what === 'beam' ? '3 2' : undefined}
          strokeWidth={c.what === 'mark' ? 2 : 1}
          className="stroke-stage-ink"
        >
          <title>{c.name}</title>
        </line>
      ))}
      {known.map(
        (k, i) =>
          whole(k.is) && (
            <g key={i}>
              <circle
                cx={view.x(Number(k.is[0]))}
                cy={view.y(Number(k.is[1]))}
                r={6}
                fill="none"
                className="stroke-stage-ink"
              />
              <text
                x={view.x(Number(k.is[0])) - 3}
                y={view.y(Number(k.is[1])) - 9}
                className="fill-stage-ink text-[11px] font-bold"
              >
                {i + 1}
              </text>
            </g>
          ),
      )}
    </svg>
  );
}
