import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ChevronDown, History } from 'lucide-react';
import type { ReactNode } from 'react';
import { edit, type Edit } from '../../api/commands';
import type { DeskView } from '../../api/client';
import { attempt } from '../../doing/notices';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { asNumber } from '../../ui/reading';
import { Typed } from '../../ui/Typed';

const run = (what: Edit) => void attempt(() => edit(what));

function Menu({ label, button, children }: { label: string; button: ReactNode; children: ReactNode }) {
  return (
    <Popover className="relative shrink-0">
      <PopoverButton
        aria-label={label}
        title={label}
        className="flex min-h-7 min-w-7 items-center justify-center rounded-md border border-line-strong px-1 hover:bg-sunk"
      >
        {button}
      </PopoverButton>
      <PopoverPanel
        anchor="top end"
        className="z-30 w-80 rounded-md border border-line-strong bg-sheet p-2 text-ink"
      >
        {children}
      </PopoverPanel>
    </Popover>
  );
}

/** Selections of before; pressing one selects it again. */
export function RecentMenu({ recent }: { recent: DeskView['recent'] }) {
  return (
    <Menu label="Recent selections, and the others" button={<History size={14} />}>
      <div className="flex items-center gap-1 pb-2">
        <span className="text-ink-2">The others</span>
        <Button onClick={() => run({ type: 'invert' })}>of all</Button>
        <Button onClick={() => run({ type: 'invert', within: 'position' })}>there</Button>
        <Button onClick={() => run({ type: 'invert', within: 'type' })}>of the type</Button>
      </div>
      {recent.length === 0 && <p className="text-ink-2">Nothing was selected before.</p>}
      {recent.map((r, i) => (
        <button
          key={i}
          className="mono flex min-h-7 w-full items-center gap-2 rounded px-1 text-left text-[12px] hover:bg-sunk"
          onClick={() => run({ type: 'recent', index: i })}
        >
          <span className="min-w-0 flex-1 truncate">{r.words}</span>
          <span className="text-ink-label">{r.units}</span>
        </button>
      ))}
    </Menu>
  );
}

/** What showing off looks like in this show. */
export function HighlightMenu({ look }: { look: DeskView['look'] }) {
  const rest = look.rest < 0 ? 100 : look.rest;
  return (
    <Menu label="What highlight looks like" button={<ChevronDown size={14} />}>
      <div className="space-y-2">
        {look.lines.length === 0 && <p className="text-ink-2">As the profiles say.</p>}
        {look.lines.map((line) => (
          <p key={line} className="first-letter:uppercase">
            {line}
          </p>
        ))}
        {look.without.length > 0 && (
          <p className="text-[12px] text-ink-2">
            As the profile says, since they cannot: {look.without.join('; ')}
          </p>
        )}
        <p className="text-[12px] text-ink-2">
          Set values on the selection first, then take them: intensity, colour and beam.
        </p>
        <div className="flex flex-wrap gap-1">
          <Button onClick={() => run({ type: 'record-highlight', perType: false, with: [] })}>
            For every type
          </Button>
          <Button onClick={() => run({ type: 'record-highlight', perType: true, with: [] })}>
            For the types selected
          </Button>
          <Button
            label="Also where heads point: highlight will move them"
            onClick={() => run({ type: 'record-highlight', perType: true, with: ['position'] })}
          >
            With position
          </Button>
          <Button disabled={look.lines.length === 0} onClick={() => run({ type: 'forget-highlight' })}>
            As the profiles say
          </Button>
        </div>
        <label className="flex items-center gap-2">
          The rest keeps
          <Typed
            label="Percent of its light that the rest keeps"
            value={String(rest)}
            read={asNumber}
            className="mono h-7 w-14 rounded-md border border-line-strong bg-paper px-1.5"
            onSet={(typed) =>
              runEdit(
                Number(typed) >= 100 ? { type: 'dim-rest' } : { type: 'dim-rest', percent: Number(typed) },
              )
            }
          />
          % of its light
        </label>
      </div>
    </Menu>
  );
}
