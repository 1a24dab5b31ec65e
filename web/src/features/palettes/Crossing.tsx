import { useState } from 'react';
import { useCrossing } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { quoted } from '../../doing/run';
import { Button } from '../../ui/Button';
import { useLineReading } from '../../doing/useLineReading';
import { takeInHand, WAYS, type Covered, type CrossingView, type TypeView } from './coverage-model';
import { lineOf } from './kinds';
import { PaletteChanges } from './PaletteChanges';
import { PaletteFace } from './PaletteFace';
import { Choice } from '../../ui/Choice';

/** More than these of one type are counted, not listed. */
const MOST = 200;

interface FillProps {
  palette: Covered;
  type: TypeView;
  crossing: CrossingView;
  types: TypeView[];
  last: boolean;
  onNext: () => void;
}

/** How one type follows one palette, and the ways to close a gap. */
export function Crossing({ palette, type, crossing, types, last, onNext }: FillProps) {
  const donors = types.filter((t, i) => {
    const way = palette.types[i]!.way;
    return t.profile !== type.profile && (way === 'type' || way === 'mode');
  });
  const [from, setFrom] = useState(donors[0]?.name ?? '');
  const compute = `fill ${lineOf(palette)} for type ${quoted(type.name)}`;
  const copy = from ? `${compute} from type ${quoted(from)}` : '';
  const way =
    crossing.way === 'none' ? copy : ['computed', 'global', 'like'].includes(crossing.way) ? compute : '';
  const reading = useLineReading(way);
  return (
    <section aria-label="The crossing looked at" className="space-y-2">
      <div className="flex items-center gap-2">
        <span className="relative h-10 w-10 shrink-0 overflow-hidden rounded-t-[20px] rounded-b-[3px] border border-line-strong">
          <PaletteFace face={palette.face} kind={palette.kind} />
        </span>
        <span className="min-w-0">
          <span className="block truncate font-serif text-[15px] font-semibold">
            {lineOf(palette)} {palette.name}
          </span>
          <span className="block truncate text-[12px] text-ink-2">
            {type.name} / {type.mode}, {type.fixtures}
          </span>
        </span>
      </div>
      <p className={crossing.gap ? 'font-bold text-madder' : ''}>
        {crossing.way ? `${WAYS[crossing.way]}: ${crossing.words}` : 'Has nothing of that kind.'}{' '}
        <span className={crossing.eye ? 'text-ochre' : ''}>{crossing.difference}</span>
      </p>
      {crossing.way !== '' && (
        <>
          {['computed', 'global', 'like'].includes(crossing.way) && (
            <Button label={compute} onClick={() => void runLine(compute)}>
              Keep as values of the type
            </Button>
          )}
          {crossing.way === 'none' && donors.length > 0 && (
            <div className="flex gap-1.5">
              <Choice
                label="Copy from type"
                className="flex-1"
                value={from}
                options={donors.map((d) => d.name)}
                onChange={setFrom}
              />
              <Button kind="main" disabled={reading.problems.length > 0} onClick={() => void runLine(copy)}>
                Copy from it
              </Button>
            </div>
          )}
          <div className="flex flex-wrap gap-1.5">
            <Button
              label="Selects them, highlighted"
              onClick={() => void takeInHand(palette, type, crossing)}
            >
              Select
            </Button>
            <Button
              label={`record ${lineOf(palette)} per type merge`}
              onClick={() =>
                void runLine(
                  `record ${lineOf(palette)} per type merge${palette.kind === 'colour' ? ' keep colour' : ''}`,
                )
              }
            >
              Merge what is set
            </Button>
            <Button onClick={onNext} disabled={last} repeats>
              Next gap
            </Button>
          </div>
          <Each palette={palette} type={type} crossing={crossing} />
          {reading.problems[0] && <p className="text-[12px] text-madder">{reading.problems[0].words}</p>}
          {reading.outcome && <PaletteChanges changes={reading.outcome.palettes} />}
        </>
      )}
    </section>
  );
}

type EachProps = Pick<FillProps, 'palette' | 'type' | 'crossing'>;

/** The same unit by unit, when asked for; those that are pressed are selected. */
function Each({ palette, type, crossing }: EachProps) {
  const [open, setOpen] = useState(false);
  const units = useCrossing(palette.kind, palette.number, type.profile, type.mode, open).data;
  const missing = units?.filter((u) => u.gap).map((u) => u.unit) ?? [];
  return (
    <div className="space-y-1">
      <Button pressed={open} onClick={() => setOpen(!open)}>
        Each fixture
      </Button>
      {open && missing.length > 0 && missing.length < units!.length && (
        <Button
          label="Selects those of the selection that do not follow, highlighted"
          onClick={() => void takeInHand(palette, type, { ...crossing, way: 'none' }, missing)}
        >
          {missing.length} {missing.length === 1 ? 'misses' : 'miss'} it: select
        </Button>
      )}
      {open && (
        <ul
          className="max-h-52 overflow-auto rounded-md border border-line text-[12px]"
          aria-label="Each fixture"
        >
          {units?.slice(0, MOST).map((u) => (
            <li key={u.unit} className="border-b border-line last:border-0">
              <button
                className="flex min-h-7 w-full items-center gap-1.5 px-1.5 text-left hover:bg-sunk"
                title={`${u.name}: ${u.words}`}
                onClick={() => void takeInHand(palette, type, { ...crossing, way: u.way }, [u.unit])}
              >
                <b className="mono">{u.unit}</b>
                <span className={`min-w-0 flex-1 truncate ${u.gap ? 'font-bold text-madder' : ''}`}>
                  {u.gap && '■ '}
                  {WAYS[u.way]}
                </span>
                <span className="shrink-0 text-ink-2">{u.difference}</span>
              </button>
            </li>
          ))}
          {units && units.length > MOST && <li className="px-1.5">and {units.length - MOST} more</li>}
        </ul>
      )}
    </div>
  );
}
