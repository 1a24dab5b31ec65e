import { useMemo, useState } from 'react';
import type { LineResponse } from '../../api/client';
import { usePatch } from '../../api/queries';
import { useLine } from '../../app/line-store';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Segmented } from '../../ui/Segmented';
import { Stage } from '../../stage/Stage';
import { AddFixtures } from './AddFixtures';
import { AddressMap } from './AddressMap';
import { HookupDialog } from './HookupDialog';
import { PatchTable } from './PatchTable';
import { filtered, type Filter } from './patch-model';

export function PatchPage() {
  const patch = usePatch().data;
  const [filter, setFilter] = useState<Filter>('all');
  const [find, setFind] = useState('');
  const [side, setSide] = useState<'map' | 'plan'>('map');
  const [bringing, setBringing] = useState(false);
  const [formReading, setFormReading] = useState<LineResponse | null>(null);
  const lineReading = useLine((s) => s.reading);
  const landings = (lineReading?.landings.length ? lineReading : formReading)?.landings ?? [];
  const rows = useMemo(() => filtered(patch?.fixtures ?? [], filter, find), [patch, filter, find]);
  if (!patch) return <p className="p-6 text-ink-2">Opening the patch…</p>;
  const clashing = patch.fixtures.filter((f) => f.clash).length;
  const unpatched = patch.fixtures.filter((f) => f.claims.length === 0).length;
  return (
    <>
      <div className="flex flex-wrap items-center gap-2 px-3 pt-3 pb-2">
        <h1 className="font-serif text-[22px] font-semibold">Patch</h1>
        <Segmented
          label="Which fixtures"
          value={filter}
          onChange={setFilter}
          options={[
            { value: 'all', text: 'All', count: String(patch.fixtures.length) },
            { value: 'clashes', text: 'Clashing', count: String(clashing), alarm: clashing > 0 },
            { value: 'unpatched', text: 'No address', count: String(unpatched) },
          ]}
        />
        <input
          aria-label="Find fixtures"
          placeholder="find number, type, position…"
          className={`${inputShape} max-w-52`}
          value={find}
          onChange={(e) => setFind(e.target.value)}
        />
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
        <Button onClick={() => setBringing(true)}>Bring in…</Button>
      </div>
      <div className="flex min-h-0 flex-1 gap-3 px-3 pb-3">
        <PatchTable fixtures={rows} total={patch.fixtures.length} onBringIn={() => setBringing(true)} />
        {side === 'map' ? <AddressMap patch={patch} landings={landings} /> : <Stage />}
      </div>
      <AddFixtures patch={patch} onReading={setFormReading} />
      <HookupDialog open={bringing} onClose={() => setBringing(false)} />
    </>
  );
}
