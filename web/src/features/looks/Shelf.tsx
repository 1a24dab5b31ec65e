import { useRef, useState } from 'react';
import type { CueListView, KeptView } from '../../api/client';
import { quoted } from '../../app/run';
import { Niche } from '../../ui/Niche';
import { press, usePlaying } from '../playing/playing';
import { runLines } from './run-lines';

/** Pixels up for one percent more. */
const PER_PERCENT = 0.8;
const SLIP = 5;

interface Props {
  lists: CueListView[];
  submasters: KeptView[];
  looks: KeptView[];
  chosen: number;
  looked: { kind: string; number: number } | null;
  onList: (id: number) => void;
  onLook: (kind: 'submaster' | 'look', number: number) => void;
}

/** Lists, submasters and looks in their niches. */
export function Shelf({ lists, submasters, looks, chosen, looked, onList, onLook }: Props) {
  const runs = usePlaying((s) => s.play.runs);
  const running = (kind: string, id: number) =>
    runs.find(
      (r) => (kind === 'list' ? r.kind === 'list' || r.kind === 'chase' : r.kind === kind) && r.id === id,
    );
  const rename = (what: string) => async (name: string) =>
    (await runLines([`rename ${what} ${quoted(name)}`])) !== undefined;
  const head = (words: string) => (
    <span className="self-center text-[11px] tracking-widest text-ink-label uppercase [writing-mode:vertical-rl] rotate-180">
      {words}
    </span>
  );
  return (
    <div className="flex min-w-0 items-start gap-1 overflow-x-auto overflow-y-hidden pt-1 pb-1 pl-1">
      {lists.map((list) => (
        <Niche
          key={list.id}
          number={list.number}
          name={list.name}
          title={`${list.cues.length} cues, ${list.words}`}
          face={list.chase ? <RingFace steps={list.cues.length} /> : <ListFace />}
          follow={running('list', list.id) ? 'all' : 'none'}
          active={list.id === chosen && !looked}
          onPress={() => onList(list.id)}
          onRename={rename(`list ${list.number}`)}
        />
      ))}
      {submasters.length > 0 && head('Submasters')}
      {submasters.map((s) => (
        <SubmasterNiche
          key={s.id}
          kept={s}
          level={running('submaster', s.id)?.level ?? 0}
          active={looked?.kind === 'submaster' && looked.number === s.number}
          onLook={() => onLook('submaster', s.number)}
          onRename={rename(`submaster ${s.number}`)}
        />
      ))}
      {looks.length > 0 && head('Looks')}
      {looks.map((l) => (
        <Niche
          key={l.id}
          number={l.number}
          name={l.name}
          title={`${l.units} units${l.plain > 0 ? `, ${l.plain} with plain values` : ''}`}
          face={
            <span className="absolute inset-x-5 top-7 h-4 rounded-sm border border-line-strong bg-petrol-soft" />
          }
          follow="none"
          active={looked?.kind === 'look' && looked.number === l.number}
          onPress={() => onLook('look', l.number)}
          onRename={rename(`look ${l.number}`)}
        />
      ))}
    </div>
  );
}

interface SubmasterProps {
  kept: KeptView;
  level: number;
  active: boolean;
  onLook: () => void;
  onRename: (name: string) => Promise<boolean>;
}

/** A look under a level: dragged up and down, or by the arrow keys; held with F it flashes. */
function SubmasterNiche({ kept, level, active, onLook, onRename }: SubmasterProps) {
  const [shown, setShown] = useState<number | null>(null);
  const from = useRef<{ y: number; at: number } | null>(null);
  const dragged = useRef(false);
  const now = shown ?? level;
  const set = (value: number) => void press({ press: 'submaster', submaster: kept.id, value });
  return (
    <div
      className="touch-none select-none"
      onKeyDown={(e) => {
        const step = { PageUp: 10, PageDown: -10, '+': 5, '-': -5 }[e.key];
        if (step !== undefined && !(e.target as HTMLElement).matches('input')) {
          e.preventDefault();
          e.stopPropagation();
          set(Math.max(0, Math.min(100, Math.round(level) + step)));
        } else if (e.key.toLowerCase() === 'f' && !e.repeat && !(e.target as HTMLElement).matches('input')) {
          e.preventDefault();
          e.stopPropagation();
          void press({ press: 'flash', submaster: kept.id, on: true });
        }
      }}
      onKeyUp={(e) =>
        e.key.toLowerCase() === 'f' && void press({ press: 'flash', submaster: kept.id, on: false })
      }
    >
      <Niche
        number={kept.number}
        name={kept.name}
        title={`${kept.units} units at ${Math.round(now)} %. Drag up and down, or Page Up and Page Down; F held flashes it`}
        face={
          <>
            <span
              aria-hidden="true"
              className="absolute inset-x-0 bottom-0 border-t-2 border-petrol bg-petrol-soft"
              style={{ height: `${now}%` }}
            />
            {shown !== null && (
              <span className="mono absolute inset-x-0 top-6 text-center text-[14px] font-bold text-petrol">
                {Math.round(shown)} %
              </span>
            )}
          </>
        }
        follow={now > 0 ? 'all' : 'none'}
        active={active}
        onPress={() => {
          if (!dragged.current) onLook();
          dragged.current = false;
        }}
        onRename={onRename}
        drag={{
          ref: () => undefined,
          over: false,
          dragged: false,
          handlers: {
            onMouseDown: (e) => e.preventDefault(),
            onPointerDown: (e) => {
              if (e.button !== 0) return;
              from.current = { y: e.clientY, at: level };
              dragged.current = false;
              e.currentTarget.setPointerCapture(e.pointerId);
            },
            onPointerMove: (e) => {
              const start = from.current;
              if (!start || e.buttons !== 1) return;
              const up = start.y - e.clientY;
              if (!dragged.current && Math.abs(up) < SLIP) return;
              dragged.current = true;
              const value = Math.round(Math.max(0, Math.min(100, start.at + up / PER_PERCENT)));
              if (value === shown) return;
              setShown(value);
              set(value);
            },
            onPointerUp: () => {
              from.current = null;
              setShown(null);
            },
            onPointerCancel: () => {
              from.current = null;
              setShown(null);
            },
          },
        }}
      />
    </div>
  );
}

const ListFace = () => (
  <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
    <polyline points="20,46 34,26 52,26" fill="none" stroke="var(--petrol)" strokeWidth="2" />
    <polyline
      points="20,26 38,46 52,46"
      fill="none"
      stroke="var(--ink-2)"
      strokeWidth="1.5"
      strokeDasharray="3 2"
    />
  </svg>
);

function RingFace({ steps }: { steps: number }) {
  const dots = Math.max(3, Math.min(8, steps));
  return (
    <svg viewBox="0 0 72 72" className="absolute inset-0" aria-hidden="true">
      {Array.from({ length: dots }, (_, i) => (
        <circle
          key={i}
          cx={36 + Math.cos((i / dots) * 2 * Math.PI - Math.PI / 2) * 14}
          cy={34 + Math.sin((i / dots) * 2 * Math.PI - Math.PI / 2) * 14}
          r="3"
          fill="var(--petrol)"
        />
      ))}
    </svg>
  );
}
