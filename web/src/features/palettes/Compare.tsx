import { useState } from 'react';
import type { PaletteView } from '../../api/client';
import { useComparison } from '../../api/queries';
import { runLine } from '../../doing/run-line';
import { Button } from '../../ui/Button';
import { Modal } from '../../ui/Modal';
import { useLineReading } from '../../doing/useLineReading';
import { GRADE_INK, lineOf } from './kinds';
import { PaletteChanges } from './PaletteChanges';
import { PaletteFace } from './PaletteFace';

/** Two palettes side by side, and one taken into the other. */
export function Compare({
  one,
  other,
  onClose,
}: {
  one: PaletteView;
  other: PaletteView;
  onClose: () => void;
}) {
  const compared = useComparison(one.kind, one.number, other.kind, other.number).data;
  const [into, setInto] = useState<PaletteView | null>(null);
  const from = into === one ? other : one;
  const join = into ? `take ${lineOf(from)} into ${lineOf(into)}` : '';
  const reading = useLineReading(join);
  const same = compared?.rows.filter((r) => r.same).length ?? 0;
  return (
    <Modal open wide title={`${one.name} and ${other.name}`} onClose={onClose}>
      {!compared ? (
        <p className="text-ink-2">Comparing…</p>
      ) : (
        <div className="space-y-4">
          <table className="w-full text-[13px]">
            <caption className="caps pb-1 text-left">What each type makes of them</caption>
            <thead>
              <tr className="border-b border-line-strong text-left">
                <th>Type</th>
                <Head palette={one} />
                <Head palette={other} />
                <th>Difference</th>
              </tr>
            </thead>
            <tbody>
              {compared.types.map((t) => (
                <tr key={`${t.type} ${t.mode}`} className="border-b border-line">
                  <td className="py-0.5">
                    <b>{t.type}</b> <span className="text-[12px] text-ink-2">{t.mode}</span>
                  </td>
                  <Way colour={t.one} way={t.oneWay} />
                  <Way colour={t.other} way={t.otherWay} />
                  <td className={GRADE_INK[t.grade] ?? 'font-bold'}>{t.difference}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className="w-full text-[13px]">
            <caption className="caps pb-1 text-left">
              What they hold: {compared.rows.length - same} differ, {same} the same
            </caption>
            <tbody>
              {compared.rows.map((r, i) => (
                <tr key={i} className={`border-b border-line ${r.same ? 'text-ink-label' : ''}`}>
                  <td className="w-6 font-bold" title={r.same ? 'the same' : 'differs'}>
                    {r.same ? '=' : '≠'}
                  </td>
                  <td>{r.owner}</td>
                  <td>{r.attribute}</td>
                  <td className="mono">{r.one || '—'}</td>
                  <td className="mono">{r.other || '—'}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="flex flex-wrap items-center gap-2">
            {[other, one].map((to) => (
              <Button key={lineOf(to)} pressed={into === to} onClick={() => setInto(into === to ? null : to)}>
                Take {to === one ? other.name : one.name} into {to.name}…
              </Button>
            ))}
            {into && (
              <Button
                kind="main"
                label={join}
                disabled={!reading.outcome?.changes}
                onClick={() => void runLine(join).then(onClose)}
              >
                Take it in
              </Button>
            )}
          </div>
          {into && reading.problems[0] && <p className="text-madder">{reading.problems[0].words}</p>}
          {into && reading.outcome && <PaletteChanges changes={reading.outcome.palettes} />}
        </div>
      )}
    </Modal>
  );
}

function Head({ palette }: { palette: PaletteView }) {
  return (
    <th className="py-1">
      <span className="inline-flex items-center gap-1.5">
        <span className="relative inline-block h-8 w-8 overflow-hidden rounded-t-[16px] rounded-b-[3px] border border-line-strong">
          <PaletteFace face={palette.face} kind={palette.kind} />
        </span>
        <span className="mono">{palette.number}</span> {palette.name}
      </span>
    </th>
  );
}

function Way({ colour, way }: { colour: string; way: string }) {
  return (
    <td>
      <span className="inline-flex items-center gap-1.5">
        {colour && (
          <span
            className="h-5 w-6 rounded-t-[10px] border border-line-strong"
            style={{ background: colour }}
          />
        )}
        <span className={way ? '' : 'text-madder'}>{way || 'does not follow'}</span>
      </span>
    </td>
  );
}
