import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { bringGroups, groupsOf } from '../../api/commands';
import { useCurrentShow } from '../../api/current-show';
import { useShows } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { useOnce } from '../../doing/once';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { Modal } from '../../ui/Modal';
import { Segmented } from '../../ui/Segmented';
import { Choice } from '../../ui/Choice';
import { pairs } from '../importing/import-model';

/** Groups of another show, matched by number or by type; what would come is said before anything is written. */
export function BringGroups({ onClose }: { onClose: () => void }) {
  const here = useCurrentShow((s) => s.id);
  const others = (useShows().data ?? []).filter((s) => s.id !== here && !s.damage);
  const [from, setFrom] = useState<number | null>(null);
  const [match, setMatch] = useState<'number' | 'type'>('number');
  const [left, setLeft] = useState<Set<number>>(new Set());
  const [answers, setAnswers] = useState('');
  const groups = useQuery({
    queryKey: ['groups of', from],
    queryFn: () => groupsOf(from!),
    enabled: from !== null,
  }).data;
  const numbers = (groups ?? []).map((g) => g.number).filter((n) => !left.has(n));
  const foreseen = useQuery({
    queryKey: ['bringing', from, match, numbers.join(' '), answers],
    queryFn: () => bringGroups(from!, numbers, match, pairs(answers), true),
    enabled: from !== null && numbers.length > 0,
    staleTime: 0,
    retry: false,
  });
  const bring = useOnce(async () => {
    if (await attempt(() => bringGroups(from!, numbers, match, pairs(answers), false))) onClose();
  });
  return (
    <Modal open title="Groups of another show" onClose={onClose}>
      <div className="space-y-3">
        {others.length === 0 && <p>There is no other show.</p>}
        {others.length > 0 && (
          <Choice
            label="The other show"
            shape="field"
            value={from === null ? '' : String(from)}
            empty="choose a show…"
            options={others.map((s) => ({ value: String(s.id), text: s.name }))}
            onChange={(id) => {
              setFrom(Number(id));
              setLeft(new Set());
            }}
          />
        )}
        {groups && (
          <>
            <div className="flex items-center gap-2">
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
            </div>
            <ul className="max-h-52 overflow-auto" tabIndex={0} aria-label="Its groups">
              {groups.map((g) => (
                <li key={g.number}>
                  <label className="flex min-h-7 items-center gap-2">
                    <input
                      type="checkbox"
                      checked={!left.has(g.number)}
                      onChange={() =>
                        setLeft((now) => {
                          const next = new Set(now);
                          if (!next.delete(g.number)) next.add(g.number);
                          return next;
                        })
                      }
                    />
                    <span className="mono w-8">{g.number}</span>
                    <span className="min-w-0 flex-1 truncate">{g.name}</span>
                    <span className="truncate text-[12px] text-plum">{g.recipe}</span>
                  </label>
                </li>
              ))}
            </ul>
            {groups.length === 0 && <p>It has no groups.</p>}
            {(foreseen.data?.words ?? []).map((w) => (
              <p key={w} className="text-petrol">
                {w}
              </p>
            ))}
            {((foreseen.data?.problems.length ?? 0) > 0 || answers) && (
              <label className="flex items-center gap-2 text-[12px] text-ink-2">
                who answers to whom
                <input
                  aria-label="Who answers to whom: their number, =, ours"
                  placeholder="13 = 201, 14 = 202"
                  className={inputShape}
                  value={answers}
                  onChange={(e) => setAnswers(e.target.value)}
                />
              </label>
            )}
            {foreseen.error && <p className="text-madder">{foreseen.error.message}</p>}
            {foreseen.data?.problems.map((p) => (
              <p key={p.words} className="text-ochre">
                {p.words}
              </p>
            ))}
            <Button kind="main" disabled={!foreseen.data} onClick={() => void bring()}>
              Import {numbers.length} {numbers.length === 1 ? 'group' : 'groups'}
            </Button>
          </>
        )}
      </div>
    </Modal>
  );
}
