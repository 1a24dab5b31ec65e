import { useRef } from 'react';
import type { CueListView } from '../../api/client';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { positionNow, press, usePlaying } from '../playing/playing';
import { useAnimation } from '../playing/useAnimation';
import { NumberField } from './effects/NumberField';
import { runLines } from '../../doing/run-lines';

const SIZE = 176;
const MIDDLE = SIZE / 2;
const RADIUS = 62;
const MOST_NAMED = 24;

/** A chase: the same steps around a ring with a hand at its place; a step pressed is jumped to. */
export function Ring({ list }: { list: CueListView }) {
  const { play, at } = usePlaying();
  const run = play.runs.find((r) => r.kind === 'chase' && r.id === list.id);
  const hand = useRef<SVGLineElement>(null);
  const steps = list.cues.length;
  const angle = (i: number) => (i / Math.max(1, steps)) * 2 * Math.PI - Math.PI / 2;
  useAnimation(() => {
    if (!hand.current || !run) return;
    const f = positionNow(run, at) % 1;
    const share = list.crossfade === 0 ? 1 : Math.min(1, f / (list.crossfade / 100));
    // The hand comes in to the step from the one before, whichever way it goes.
    const towards = angle(run.step) - (1 - share) * ((2 * Math.PI) / Math.max(1, steps));
    hand.current.setAttribute('x2', String(MIDDLE + Math.cos(towards) * (RADIUS - 18)));
    hand.current.setAttribute('y2', String(MIDDLE + Math.sin(towards) * (RADIUS - 18)));
  }, run !== undefined);
  const set = (what: string) => runLines([`list ${list.number} ${what}`]);
  const rate = run ? Math.round(run.rate * 10) / 10 : list.rate;
  const number = (label: string, value: number, what: string) => (
    <NumberField label={label} value={value} onSet={(typed) => set(`${what} ${typed}`)} />
  );
  return (
    <div className="flex flex-wrap gap-3 p-3">
      <svg width={SIZE} height={SIZE} role="img" aria-label={`${list.name} as a ring of ${steps} steps`}>
        <circle
          cx={MIDDLE}
          cy={MIDDLE}
          r={RADIUS}
          fill="none"
          stroke="var(--line-strong)"
          strokeDasharray="2 4"
        />
        {run && (
          <line
            ref={hand}
            x1={MIDDLE}
            y1={MIDDLE}
            x2={MIDDLE}
            y2={30}
            stroke="var(--ochre)"
            strokeWidth="3"
          />
        )}
        <circle cx={MIDDLE} cy={MIDDLE} r="4" fill="var(--ochre)" />
        {list.cues.slice(0, 60).map((cue, i) => {
          const on = run?.step === i;
          const x = MIDDLE + Math.cos(angle(i)) * RADIUS;
          const y = MIDDLE + Math.sin(angle(i)) * RADIUS;
          const r = steps > MOST_NAMED ? 5 : 14;
          return (
            <g
              key={cue.id}
              className="cursor-pointer"
              onClick={() => void press({ press: 'jump', list: list.id, cue: cue.id })}
            >
              <title>{`${cue.number} ${cue.name}: press to go there`}</title>
              <circle
                cx={x}
                cy={y}
                r={r}
                fill={on ? 'var(--petrol)' : 'var(--sheet)'}
                stroke="var(--petrol)"
                strokeWidth="1.5"
              />
              {steps <= MOST_NAMED && (
                <text
                  x={x}
                  y={y + 4}
                  textAnchor="middle"
                  fontSize="12"
                  className="mono"
                  fill={on ? 'var(--on-petrol)' : 'var(--ink)'}
                >
                  {cue.number}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      <div className="flex min-w-0 flex-1 flex-col items-start gap-1.5">
        <div className="flex flex-wrap items-center gap-1.5">
          {number('a minute', list.rate, 'rate')}
          <Button
            repeats
            disabled={!run}
            label="Tap the tempo: four beats are enough"
            onClick={() => void press({ press: 'tap', list: list.id })}
          >
            Tap
          </Button>
          {run && rate !== Math.round(list.rate * 10) / 10 && (
            <Button label="Keeps the tempo that is played" onClick={() => set(`rate ${rate}`)}>
              Keep {rate}
            </Button>
          )}
        </div>
        {number('crossfade %', list.crossfade, 'crossfade')}
        <Segmented
          label="Direction"
          value={list.direction}
          onChange={(d) => set(d)}
          tight
          options={[
            { value: 'forwards', text: '→', said: 'forwards' },
            { value: 'backwards', text: '←', said: 'backwards' },
            { value: 'bounce', text: '↔', said: 'bounce' },
            { value: 'random', text: 'any', said: 'random' },
          ]}
        />
        <div className="text-[12px] text-ink-2">{list.direction}</div>
        <Button onClick={() => set('as list')}>Play as a list</Button>
      </div>
    </div>
  );
}
