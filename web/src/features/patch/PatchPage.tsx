import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { usePatch } from '../../api/queries';
import { Segmented } from '../../ui/Segmented';
import { AgainstPaper } from './AgainstPaper';
import { BringUp } from './BringUp';
import { ByFixture } from './ByFixture';
import { ByOutput } from './ByOutput';
import { Devices } from './Devices';
import { HookupDialog } from './HookupDialog';
import { ReadAloud } from './ReadAloud';

const VIEWS = ['fixture', 'output', 'paper', 'devices', 'aloud', 'bring-up'] as const;
type View = (typeof VIEWS)[number];

/** The patch, looked at in six ways; which one stands in the address, so that it can be kept and gone back to. */
export function PatchPage() {
  const patch = usePatch().data;
  const [search, setSearch] = useSearchParams();
  const [bringing, setBringing] = useState(false);
  const asked = search.get('view') as View;
  const view = VIEWS.includes(asked) ? asked : 'fixture';
  /** Each way to look draws the choice anew; who chose by key goes on from there. */
  const choosing = useRef(false);
  useEffect(() => {
    if (!choosing.current) return;
    choosing.current = false;
    const nothing = document.activeElement === document.body || document.activeElement === null;
    if (nothing) document.querySelector<HTMLElement>('#patch-views [role=radio][aria-checked=true]')?.focus();
  }, [view]);
  if (!patch) return <p className="p-6 text-ink-2">Opening the patch…</p>;
  const clashes = patch.clashCount;
  const marked = patch.fixtures.filter((f) => f.answer === 'wrong' || f.answer === 'dead').length;
  const look = (
    <span id="patch-views">
      <Segmented<View>
        label="How to look at the patch"
        value={view}
        onChange={(v) => {
          choosing.current = true;
          setSearch(v === 'fixture' ? {} : { view: v });
        }}
        options={[
          { value: 'fixture', text: 'By fixture' },
          {
            value: 'output',
            text: 'By output',
            count: clashes > 0 ? String(clashes) : undefined,
            alarm: clashes > 0,
          },
          { value: 'paper', text: 'Against paper' },
          { value: 'devices', text: 'Devices' },
          { value: 'aloud', text: 'Read aloud' },
          {
            value: 'bring-up',
            text: 'Bring up',
            count: marked > 0 ? String(marked) : undefined,
            alarm: marked > 0,
          },
        ]}
      />
    </span>
  );
  const title = (
    <>
      <h1 className="font-serif text-[22px] font-semibold">Patch</h1>
      {look}
    </>
  );
  return (
    <>
      {view === 'fixture' && <ByFixture patch={patch} title={title} onBringIn={() => setBringing(true)} />}
      {view === 'output' && <ByOutput patch={patch} title={title} />}
      {view === 'paper' && <AgainstPaper title={title} />}
      {view === 'devices' && <Devices title={title} />}
      {view === 'aloud' && <ReadAloud patch={patch} title={title} />}
      {view === 'bring-up' && <BringUp patch={patch} title={title} />}
      <HookupDialog
        open={bringing || search.has('bring')}
        onClose={() => {
          setBringing(false);
          if (search.has('bring')) setSearch({});
        }}
      />
    </>
  );
}
