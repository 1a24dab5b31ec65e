import type { Edit } from '../../api/commands';
import { useDesk } from '../../api/queries';
import { leaveName, RECORD_NAME } from '../../doing/record-name';
import { useKept } from '../../doing/kept';
import { runLine } from '../../doing/run-line';
import { useOnce } from '../../doing/once';
import { runEdit } from '../../doing/run';
import { Button } from '../../ui/Button';
import { inputShape } from '../../ui/Field';
import { ProblemList } from '../../ui/ProblemList';
import { Segmented } from '../../ui/Segmented';
import { useEditReading } from '../../doing/useLineReading';

/** Keeps the selection: in its order, or as the recipe by which it was chosen. */
export function RecordGroup() {
  const desk = useDesk().data;
  const [name, setName] = useKept('record group name', '');
  const [number, setNumber] = useKept('record group number', '');
  const [recipe, setRecipe] = useKept('record group as', false);
  const held = (desk?.steps.length ?? 0) > 0;
  const into = number || String(desk?.nextGroup ?? 1);
  const what: Edit = { type: 'record-group', number: Number(number) || undefined, name, recipe };
  const reading = useEditReading(held ? what : null);
  const record = useOnce(async () => {
    if (!(await runEdit(what))) return;
    // What was typed meanwhile belongs to the next one.
    setName((now) => (now === name ? '' : now));
    setNumber((now) => (now === number ? '' : now));
    leaveName();
  });
  return (
    <form
      className="space-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void record();
      }}
    >
      <div className="flex flex-wrap items-center gap-2 pr-16">
        <span className="caps">Record group</span>
        <Segmented
          label="Fixed order or recipe"
          value={recipe ? 'recipe' : 'fixed'}
          onChange={(v) => setRecipe(v === 'recipe')}
          options={[
            { value: 'fixed', text: 'Fixed' },
            { value: 'recipe', text: 'As recipe' },
          ]}
          tight
        />
      </div>
      <div className="flex gap-2">
        <input
          aria-label="Group number"
          className={`${inputShape} !w-16 shrink-0`}
          placeholder={into}
          value={number}
          onChange={(e) => setNumber(e.target.value.replace(/\D/g, ''))}
        />
        <input
          id={RECORD_NAME}
          aria-label="Group name"
          autoComplete="off"
          className={inputShape}
          placeholder="name (R)"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </div>
      {recipe && held && desk && (
        <p className="flex flex-wrap gap-1 text-[12px]" aria-label="Recipe">
          {[desk.asked, ...desk.patterns].map((words, i) => (
            <span
              key={i}
              title={words}
              className={`max-w-full truncate rounded-full px-2 ${i === 0 ? 'bg-plum-soft text-plum' : 'bg-petrol-soft text-petrol'}`}
            >
              {i > 0 && '→ '}
              {words}
            </span>
          ))}
        </p>
      )}
      <p className="text-ink-2">
        {held ? reading.outcome?.reading : 'Choose fixtures first; their order is kept.'}
      </p>
      <ProblemList problems={reading.outcome?.problems ?? reading.problems} onLine={(l) => void runLine(l)} />
      <Button kind="main" type="submit">
        Record as {into}
      </Button>
    </form>
  );
}
