import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react';
import { useEffect, useRef, useState } from 'react';
import type { CheckRow } from '../../api/client';
import { useWays } from '../../api/queries';
import { runEdit } from '../../doing/run';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { day } from '../../ui/day';
import { StateMark, type State } from '../../ui/StateMark';
import { useInSight } from '../../ui/useInSight';
import { WhyAside } from './WhyAside';

interface Props {
  row: CheckRow;
  looked: boolean;
  onLook: () => void;
  /** The line that a press would do while it is pointed at; empty when none is. */
  onPoint: (line: string) => void;
}

/** What is passed on the way to the card is not looked at. */
const REST_MS = 140;

/** More ways than these stand behind a press. */
const IN_SIGHT = 2;

/** One finding: what it is, what mends it, and leaving it as it is. */
export function FindingRow({ row, looked, onLook, onPoint }: Props) {
  const [reason, setReason] = useState<string | null>(null);
  const resting = useRef(0);
  const [item, inSight] = useInSight();
  const asked = useWays(row.key, inSight && !row.ways && !row.aside).data;
  const ways = (row.ways ?? asked ?? []).filter((w) => w.line);
  // What goes away under the pointer is pointed at no more.
  useEffect(() => () => onPoint(''), [onPoint]);
  return (
    <li
      ref={item}
      className={`flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-1 py-1.5 ${looked ? 'bg-petrol-soft' : ''}`}
      onPointerEnter={() => (resting.current = window.setTimeout(onLook, REST_MS))}
      onPointerLeave={() => window.clearTimeout(resting.current)}
      onFocus={onLook}
    >
      <StateMark state={row.severity as State} />
      <p className="min-w-40 flex-1">
        {row.words} <span className="text-[12px] text-ink-2">{row.beside}</span>
        {row.changed && (
          <span className="text-[12px] text-ochre"> set aside on {day(row.changed.on)}, another since</span>
        )}
        {row.aside && (
          <span className="text-[12px] text-ink-2">
            {row.aside.reason && ` “${row.aside.reason}”`} · {day(row.aside.on)}
          </span>
        )}
      </p>
      {row.aside ? (
        <Button onClick={() => void runEdit({ type: 'reopen', finding: row.key })}>Open again</Button>
      ) : (
        <>
          {ways.slice(0, IN_SIGHT).map((way, i) => (
            <span
              key={way.line}
              onPointerEnter={() => onPoint(way.line)}
              onPointerLeave={() => onPoint('')}
              onFocus={() => onPoint(way.line)}
              onBlur={() => onPoint('')}
            >
              <Button
                kind={i === 0 ? 'main' : 'plain'}
                label={way.line}
                onClick={() => void runLine(way.line)}
              >
                {way.words}
              </Button>
            </span>
          ))}
          {ways.length > IN_SIGHT && <More ways={ways.slice(IN_SIGHT)} onPoint={onPoint} />}
          {reason === null && (
            <button
              type="button"
              className="min-h-7 px-1 text-[12px] text-ink-2 hover:text-ink hover:underline"
              aria-label={`Set aside: ${row.words}`}
              onClick={() =>
                setReason(row.changed?.reason ?? (row.key.startsWith('paper:') ? 'ours is right' : ''))
              }
            >
              Set aside…
            </button>
          )}
        </>
      )}
      {reason !== null && <WhyAside findings={[row.key]} usual={reason} onDone={() => setReason(null)} />}
    </li>
  );
}

/** Further ways out. */
function More({
  ways,
  onPoint,
}: {
  ways: { words: string; line: string }[];
  onPoint: (line: string) => void;
}) {
  return (
    <Menu>
      <MenuButton
        aria-label="Other ways"
        className="min-h-7 rounded-md border border-line-strong bg-sheet px-2 font-semibold hover:bg-sunk"
      >
        …
      </MenuButton>
      <MenuItems
        anchor="bottom end"
        className="z-30 rounded-md border border-line-strong bg-sheet p-1 shadow-lg focus:outline-none"
      >
        {ways.map((way) => (
          <MenuItem key={way.line}>
            <button
              type="button"
              title={way.line}
              className="block w-full rounded px-2 py-1 text-left data-focus:bg-sunk"
              onPointerEnter={() => onPoint(way.line)}
              onPointerLeave={() => onPoint('')}
              onClick={() => void runLine(way.line)}
            >
              {way.words}
            </button>
          </MenuItem>
        ))}
      </MenuItems>
    </Menu>
  );
}
