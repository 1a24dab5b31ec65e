import { useRef, useState } from 'react';
import type { CueView, RunView } from '../../api/client';
import { positionNow, secondsNow } from '../playing/playing';
import { useAnimation } from '../playing/useAnimation';
import { follows, seconds } from './looks-model';

const HIGH = 34;
const TOP = 5;
const FOOT = HIGH - 5;
const MIDDLE = HIGH / 2;

/** Which of a cue's times is drawn or dragged. */
export type Time = 'in' | 'out' | 'rest' | 'wait';

interface Props {
  cue: CueView;
  /** seconds that the width shows */
  scale: number;
  width: number;
  run: RunView | undefined;
  at: number;
  onSet: (time: Time, seconds: number) => void;
}

/** A cue along time: what rises and what falls as slopes, the rest as a bar with its end, the wait hatched. */
export function CueSlopes({ cue, scale, width, run, at, onSet }: Props) {
  const [dragged, setDragged] = useState<{ time: Time; seconds: number } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const hand = useRef<SVGLineElement>(null);
  const x = (s: number) => (Math.min(s, scale) / scale) * width;
  const of = (time: Time, otherwise: number) => (dragged?.time === time ? dragged.seconds : otherwise);
  const wait = of('wait', cue.waits);
  const rises = of('in', cue.rises);
  const falls = of('out', dragged?.time === 'in' && cue.out == null ? rises : cue.falls);
  const rest = of('rest', dragged?.time === 'in' && cue.rest == null ? rises : cue.others);
  const begin = x(wait);
  useAnimation(() => {
    if (!hand.current || !run) return;
    const s = Math.min(
      run.kind === 'chase' ? positionNow(run, at) % 1 : secondsNow(run, at),
      Math.max(run.length, run.follows),
    );
    hand.current.setAttribute('x1', String(x(s)));
    hand.current.setAttribute('x2', String(x(s)));
  }, run !== undefined);
  const move = (time: Time) => (e: React.PointerEvent<SVGElement>) => {
    const box = svg.current!.getBoundingClientRect();
    const first = e.currentTarget;
    first.setPointerCapture(e.pointerId);
    e.stopPropagation();
    const read = (clientX: number) => {
      const raw = ((clientX - box.left) / box.width) * scale - (time === 'wait' ? 0 : cue.waits);
      return Math.max(0, Math.round(raw * 10) / 10);
    };
    let latest = read(e.clientX);
    const follow = (m: PointerEvent) => {
      latest = read(m.clientX);
      setDragged({ time, seconds: latest });
    };
    const end = () => {
      first.removeEventListener('pointermove', follow);
      setDragged(null);
      onSet(time, latest);
    };
    first.addEventListener('pointermove', follow);
    first.addEventListener('pointerup', end, { once: true });
    first.addEventListener('pointercancel', () => setDragged(null), { once: true });
  };
  const starts = follows(cue);
  const grip = (time: Time, cx: number, cy: number, colour: string, words: string) => (
    <g className="cursor-ew-resize" onPointerDown={move(time)}>
      <title>{words}</title>
      <circle cx={cx} cy={cy} r="11" fill="transparent" />
      <circle cx={cx} cy={cy} r="4" fill={colour} />
    </g>
  );
  return (
    <svg
      ref={svg}
      width={width}
      height={HIGH}
      viewBox={`0 0 ${width} ${HIGH}`}
      role="img"
      aria-label={`Wait ${seconds(wait)}, in ${seconds(rises)}, out ${seconds(falls)}, the rest ${seconds(rest)} seconds`}
      className="touch-none overflow-visible select-none"
    >
      <rect
        x={begin}
        y={TOP - 2}
        width={Math.max(1, x(wait + Math.max(rises, falls, rest)) - begin)}
        height={FOOT - TOP + 4}
        fill="var(--petrol-soft)"
        opacity=".55"
      />
      {wait > 0 && (
        <g className="cursor-ew-resize" onPointerDown={move('wait')}>
          <title>{`waits ${seconds(wait)} s`}</title>
          <rect x="0" y={TOP - 2} width={begin} height={FOOT - TOP + 4} fill="transparent" />
          {Array.from({ length: Math.ceil(begin / 6) }, (_, i) => (
            <line
              key={i}
              x1={i * 6}
              y1={FOOT + 2}
              x2={Math.min(begin, i * 6 + 12)}
              y2={TOP - 2}
              stroke="var(--ink-label)"
              strokeWidth="1"
            />
          ))}
        </g>
      )}
      <polyline
        points={`${begin},${TOP} ${x(wait + falls)},${FOOT} ${width},${FOOT}`}
        fill="none"
        stroke="var(--ink-2)"
        strokeWidth="1.5"
        strokeDasharray="4 3"
      />
      <polyline
        points={`${begin},${FOOT} ${x(wait + rises)},${TOP} ${width},${TOP}`}
        fill="none"
        stroke="var(--petrol)"
        strokeWidth="2"
      />
      <line x1={begin} y1={MIDDLE} x2={x(wait + rest)} y2={MIDDLE} stroke="var(--plum)" strokeWidth="3" />
      {starts !== null && (
        <g>
          <title>the next one starts by itself</title>
          <line
            x1={x(starts)}
            y1={TOP - 3}
            x2={x(starts)}
            y2={FOOT + 3}
            stroke="var(--ochre)"
            strokeWidth="1.5"
            strokeDasharray="2 2"
          />
          <path d={`M${x(starts)},${FOOT - 2} l-5,6 l10,0 z`} fill="var(--ochre)" />
        </g>
      )}
      {grip('out', x(wait + falls), FOOT, 'var(--ink-2)', `falling: ${seconds(falls)} s`)}
      {grip('in', x(wait + rises), TOP, 'var(--petrol)', `rising: ${seconds(rises)} s`)}
      {grip('rest', x(wait + rest), MIDDLE, 'var(--plum)', `the rest: ${seconds(rest)} s`)}
      {run && <line ref={hand} x1="0" y1="-2" x2="0" y2={HIGH + 2} stroke="var(--ochre)" strokeWidth="2.5" />}
      {dragged && (
        <text
          x={Math.min(width - 40, x(dragged.seconds + (dragged.time === 'wait' ? 0 : wait)) + 8)}
          y={MIDDLE - 4}
          className="mono"
          fontSize="12"
          fontWeight="700"
          fill="var(--ink)"
        >
          {seconds(dragged.seconds)} s
        </text>
      )}
    </svg>
  );
}
