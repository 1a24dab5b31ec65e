import type { CueListView, GroupView, KeptView } from '../../api/client';
import { quoted } from '../../doing/run';
import { EmptyNiche, Niche } from '../../ui/Niche';
import { FaderNiche } from './FaderNiche';
import { LookFace } from './LookFace';
import { EmptySwap } from '../niches/EmptySwap';
import { withFree } from '../niches/pages-model';
import { press, usePlaying } from '../playing/playing';
import { runLines } from '../../doing/run-lines';
import { useOneStop } from '../../ui/useOneStop';

interface Props {
  lists: CueListView[];
  submasters: KeptView[];
  looks: KeptView[];
  groups: GroupView[];
  chosen: number;
  looked: { kind: string; number: number } | null;
  onList: (id: number) => void;
  onNewList: () => void;
  onLook: (kind: 'submaster' | 'look', number: number) => void;
}

/** Lists, submasters, group faders and looks in their niches. */
export function Shelf({
  lists,
  submasters,
  looks,
  groups,
  chosen,
  looked,
  onList,
  onNewList,
  onLook,
}: Props) {
  const shelf = useOneStop<HTMLDivElement>({ selector: '[data-niche]', own: true });
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
    <div
      ref={shelf}
      data-part
      onWheel={(e) => e.deltaX === 0 && e.currentTarget.scrollBy(e.deltaY, 0)}
      className="flex min-w-0 flex-1 items-start gap-1 overflow-x-auto overflow-y-hidden pt-1 pb-1 pl-1"
    >
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
      <EmptyNiche
        number={Math.max(0, ...lists.map((l) => l.number)) + 1}
        label="New list"
        onPress={onNewList}
      />
      {submasters.length > 0 && head('Submasters')}
      {submasters.length > 0 &&
        withFree(submasters).map((s) =>
          typeof s === 'number' ? (
            <EmptySwap
              key={`free ${s}`}
              kind="submaster"
              number={s}
              onPress={() => void runLines([`record submaster ${s}`])}
            />
          ) : (
            <FaderNiche
              key={s.id}
              kind="submaster"
              number={s.number}
              name={s.name}
              what={`${s.units} units`}
              under={<LookFace kind="submaster" number={s.number} />}
              level={running('submaster', s.id)?.level ?? 0}
              active={looked?.kind === 'submaster' && looked.number === s.number}
              onLevel={(value) => void press({ press: 'submaster', submaster: s.id, value })}
              onFlash={(on) => void press({ press: 'flash', submaster: s.id, on })}
              onLook={() => onLook('submaster', s.number)}
              onRename={rename(`submaster ${s.number}`)}
              onMove={(to) => void runLines([`move submaster ${s.number} to ${to}`])}
            />
          ),
        )}
      {groups.length > 0 && head('Groups')}
      {groups.map((g) => (
        <FaderNiche
          key={g.id}
          kind="group"
          number={g.number}
          name={g.name}
          what={`a level over its ${g.units.length} units`}
          level={running('group', g.id)?.level ?? 0}
          active={false}
          onLevel={(value) => void press({ press: 'group', group: g.id, value })}
          onLook={() => void runLines([`group ${g.number}`])}
          onRename={rename(`group ${g.number}`)}
        />
      ))}
      {looks.length > 0 && head('Looks')}
      {looks.map((l) => (
        <Niche
          key={l.id}
          number={l.number}
          name={l.name}
          title={`${l.units} units${l.plain > 0 ? `, ${l.plain} with plain values` : ''}`}
          face={<LookFace kind="look" number={l.number} />}
          follow="none"
          active={looked?.kind === 'look' && looked.number === l.number}
          onPress={() => onLook('look', l.number)}
          onRename={rename(`look ${l.number}`)}
        />
      ))}
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
