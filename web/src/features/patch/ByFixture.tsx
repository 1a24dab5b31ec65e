import { useMemo, useState, type ReactNode } from 'react';
import type { LineResponse, PatchView } from '../../api/client';
import { useCurrentShow } from '../../api/current-show';
import { useLine } from '../../doing/line-store';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Panes } from '../../ui/Panes';
import { Segmented } from '../../ui/Segmented';
import { Stage } from '../../stage/Stage';
import { AddFixtures } from './AddFixtures';
import { OneUniverse } from './OneUniverse';
import { PatchTable } from './PatchTable';
import { filtered, type Filter } from './patch-model';

interface Props {
  patch: PatchView;
  title: ReactNode;
  onBringIn: () => void;
}

/** The table of fixtures beside the map of a universe or the plan, and the form that adds to it. */
export function ByFixture({ patch, title, onBringIn }: Props) {
  const show = useCurrentShow((s) => s.id);
  const [filter, setFilter] = useState<Filter>('all');
  const [find, setFind] = useState('');
  const [side, setSide] = useState<'map' | 'plan'>('map');
  const [formReading, setFormReading] = useState<LineResponse | null>(null);
  const lineReading = useLine((s) => s.reading);
  const landings = (lineReading?.landings.length ? lineReading : formReading)?.landings ?? [];
  const rows = useMemo(() => filtered(patch.fixtures, filter, find), [patch, filter, find]);
  const count = (wanted: Filter) => filtered(patch.fixtures, wanted, '').length;
  const clashing = count('clashes');
  const sharing = count('shared');
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        {title}
        <span className="flex-1" />
        <Segmented
          label="Beside the table"
          value={side}
          onChange={setSide}
          options={[
            { value: 'map', text: 'Output' },
            { value: 'plan', text: 'Plan' },
          ]}
        />
        <Button onClick={onBringIn}>Import…</Button>
        {patch.fixtures.length > 0 && (
          <span className="flex items-center gap-1.5 text-[12px] text-ink-2">
            hookup as
            {['CSV', 'XLSX'].map((form) => (
              <a
                key={form}
                download
                href={`/api/shows/${show}/hookup.${form.toLowerCase()}`}
                className="inline-flex min-h-7 items-center font-semibold text-petrol underline"
              >
                {form}
              </a>
            ))}
          </span>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-2 px-3 pb-2">
        <Segmented
          label="Which fixtures"
          value={filter}
          onChange={setFilter}
          options={[
            { value: 'all', text: 'All', count: String(patch.fixtures.length) },
            { value: 'clashes', text: 'Clashing', count: String(clashing), alarm: clashing > 0 },
            ...(sharing > 0 ? [{ value: 'shared' as const, text: 'Sharing', count: String(sharing) }] : []),
            { value: 'unpatched', text: 'No address', count: String(count('unpatched')) },
            { value: 'marked', text: 'Wrong or dead', count: String(count('marked')) },
          ]}
        />
        <input
          aria-label="Find fixtures"
          placeholder="find number, type, position, note…"
          className={`${inputShape} max-w-60`}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
        {rows.length < patch.fixtures.length && (
          <span className="text-[12px] text-ink-2">
            {rows.length} of {patch.fixtures.length}
          </span>
        )}
      </div>
      <div className="flex min-h-0 flex-1 flex-col px-3 pb-3">
        <Panes
          of="patch"
          panes={[
            {
              id: 'table',
              called: 'the table',
              usual: '58%',
              least: 320,
              children: <PatchTable fixtures={rows} total={patch.fixtures.length} onBringIn={onBringIn} />,
            },
            {
              id: 'beside',
              called: side === 'map' ? 'the output' : 'the stage',
              usual: '42%',
              least: 240,
              children: side === 'map' ? <OneUniverse patch={patch} landings={landings} /> : <Stage />,
            },
          ]}
        />
      </div>
      <AddFixtures patch={patch} onReading={setFormReading} />
    </>
  );
}
