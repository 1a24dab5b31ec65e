import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useCurrentShow } from '../../api/current-show';
import { importableOf, importParts, type ImportablePart } from '../../api/importing';
import { useShow, useShows } from '../../api/queries';
import { useLine } from '../../doing/line-store';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { pairs, SORTS, shownOf, type Sort } from './import-model';

interface Props {
  open: boolean;
  /** Which sort is shown first. */
  sort: Sort;
  onClose: () => void;
}

/** Palettes, looks, effects, marks and pages of another show; what would come is said before anything is written. */
export function ImportParts({ open, sort, onClose }: Props) {
  return (
    <Modal open={open} title="Import from another show" onClose={onClose}>
      {open && <Form first={sort} onClose={onClose} />}
    </Modal>
  );
}

function Form({ first, onClose }: { first: Sort; onClose: () => void }) {
  const here = useCurrentShow((s) => s.id);
  const revision = useShow().data?.revision;
  const others = (useShows().data ?? []).filter((s) => s.id !== here && !s.damage && !s.template);
  const [from, setFrom] = useState<number | null>(null);
  const [sort, setSort] = useState<Sort>(first);
  const [words, setWords] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [match, setMatch] = useState<'number' | 'type'>('number');
  const [answers, setAnswers] = useState('');
  const parts = useQuery({
    queryKey: ['importable', from],
    queryFn: () => importableOf(from!),
    enabled: from !== null,
  }).data;
  const keys = [...chosen].sort();
  const foreseen = useQuery({
    queryKey: ['importing', here, revision, from, match, keys.join(' '), answers],
    queryFn: () => importParts(from!, keys, match, pairs(answers), true),
    enabled: from !== null && keys.length > 0,
    staleTime: 0,
    retry: false,
  });
  const take = useOnce(async () => {
    const done = await attempt(() => importParts(from!, keys, match, pairs(answers), false));
    if (!done) return;
    useLine.getState().set({ done: done.words[0] ?? '', problems: done.problems });
    onClose();
  });
  const shown = shownOf(parts ?? [], sort, words);
  const toggle = (some: ImportablePart[], on: boolean) =>
    setChosen((now) => {
      const next = new Set(now);
      for (const p of some) {
        if (on) next.add(p.key);
        else next.delete(p.key);
      }
      return next;
    });
  if (others.length === 0) return <p>There is no other show.</p>;
  return (
    <div className="space-y-3">
      <Choice
        label="The other show"
        shape="field"
        value={from === null ? '' : String(from)}
        empty="choose a show…"
        options={others.map((s) => ({ value: String(s.id), text: s.name }))}
        onChange={(id) => {
          setFrom(Number(id));
          setChosen(new Set());
        }}
      />
      {parts && (
        <>
          <div className="flex flex-wrap items-center gap-2">
            <Segmented label="What is listed" value={sort} onChange={setSort} options={SORTS} />
            <input
              aria-label="Find by name"
              placeholder="find by name"
              className={`${inputShape} !w-32 !font-sans`}
              value={words}
              onChange={(e) => setWords(e.target.value)}
            />
          </div>
          <ul className="max-h-48 overflow-auto" tabIndex={0} aria-label="Its parts">
            {shown.length > 1 && (
              <li>
                <label className="flex min-h-7 items-center gap-2 text-ink-2">
                  <input
                    type="checkbox"
                    checked={shown.every((p) => chosen.has(p.key))}
                    onChange={(e) => toggle(shown, e.target.checked)}
                  />
                  all {shown.length}
                </label>
              </li>
            )}
            {shown.map((p) => (
              <li key={`${p.key} ${p.label}`}>
                <label className="flex min-h-7 items-center gap-2">
                  <input
                    type="checkbox"
                    checked={chosen.has(p.key)}
                    onChange={(e) => toggle([p], e.target.checked)}
                  />
                  <span className="min-w-0 flex-1 truncate" title={p.label}>
                    {p.label}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          {shown.length === 0 && <p className="text-ink-2">It has none.</p>}
          <div className="flex flex-wrap items-center gap-2">
            Fixtures answer to each other by
            <Segmented
              label="How fixtures are matched"
              value={match}
              onChange={setMatch}
              options={[
                { value: 'number', text: 'number' },
                { value: 'type', text: 'type, in order' },
              ]}
            />
            <input
              aria-label="Who answers to whom: their number, =, ours"
              title="Who answers to whom: their number, =, ours"
              placeholder="13 = 201, 14 = 202"
              className={`${inputShape} !w-44`}
              value={answers}
              onChange={(e) => setAnswers(e.target.value)}
            />
          </div>
          {keys.length > 0 && (
            <div className="max-h-32 overflow-auto" aria-live="polite">
              {(foreseen.data?.words ?? []).map((w) => (
                <p key={w} className="text-petrol">
                  {w}
                </p>
              ))}
              {foreseen.error && <p className="text-madder">{foreseen.error.message}</p>}
              {foreseen.data?.problems.map((p) => (
                <p key={p.words} className="text-ochre">
                  {p.words}
                </p>
              ))}
            </div>
          )}
          <Button kind="main" disabled={!foreseen.data || keys.length === 0} onClick={() => void take()}>
            Import {keys.length || ''} with what they refer to
          </Button>
        </>
      )}
    </div>
  );
}
