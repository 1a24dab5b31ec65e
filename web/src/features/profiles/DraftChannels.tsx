import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { attributesFor, readChart } from '../../api/commands';
import type { DraftChannel, DraftMode } from '../../api/client';
import { attempt } from '../../doing/notices';
import { inputShape } from '../../ui/Field';
import { chartLine, rangesText, slotSpans } from './draft-model';
import { Choice } from '../../ui/Choice';

interface Props {
  mode: DraftMode;
  onChange: (mode: DraftMode) => void;
}

/** The channels as they were understood; every cell can be mended. */
export function DraftChannels({ mode, onChange }: Props) {
  const spans = slotSpans(mode);
  const set = (index: number, part: Partial<DraftChannel>) =>
    onChange({ ...mode, channels: mode.channels.map((c, i) => (i === index ? { ...c, ...part } : c)) });
  return (
    <div className="min-h-0 flex-1 overflow-auto rounded-lg border border-line-strong bg-sheet">
      <table className="w-full text-left text-[12px]">
        <thead className="sticky top-0 z-10 bg-sunk">
          <tr>
            {[
              'Slot',
              'Chart',
              'Attribute',
              'Bits',
              'Home',
              'Highl.',
              'From',
              'To',
              'Inv.',
              'Ranges',
              'Needs',
            ].map((h) => (
              <th key={h} className="caps px-1 py-1">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {mode.channels.map((c, i) => (
            <Channel
              key={`${i} ${c.label}`}
              slot={spans[i]!}
              channel={c}
              mode={mode}
              onSet={(part) => set(i, part)}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface ChannelProps {
  slot: string;
  channel: DraftChannel;
  mode: DraftMode;
  onSet: (part: Partial<DraftChannel>) => void;
}

const small = `${inputShape} !h-7 !px-1 !text-[12px]`;

function Channel({ slot, channel: c, mode, onSet }: ChannelProps) {
  const [choosing, setChoosing] = useState(false);
  const choices = useQuery({
    queryKey: ['attributes', c.label],
    queryFn: () => attributesFor(c.label),
    enabled: choosing,
    staleTime: Infinity,
  });
  const number = (part: (v: number) => Partial<DraftChannel>) => (e: React.FocusEvent<HTMLInputElement>) => {
    const v = Number.parseFloat(e.target.value);
    if (Number.isFinite(v)) onSet(part(v));
  };
  const ranges = async (text: string) => {
    if (text === rangesText(c.ranges)) return;
    const read = await attempt(() => readChart(chartLine(c, text)));
    const understood = read?.modes[0]?.channels[0];
    if (understood) onSet({ ranges: understood.ranges, wheel: understood.wheel });
  };
  const others = mode.channels.filter((o) => o !== c && o.ranges.length > 1);
  const known = others.some((o) => o.ranges.some((r) => o.label === c.needs && r.from === c.needsFrom));
  const key = JSON.stringify(c);
  return (
    <tr className={`border-t border-line ${c.inCell ? 'bg-plum-soft/40' : ''}`}>
      <td className="mono px-1 font-bold whitespace-nowrap">
        {slot}
        {c.inCell && <span className="font-normal text-plum"> cell</span>}
      </td>
      <td className="max-w-24 truncate px-1" title={c.label}>
        {c.label}
      </td>
      <td className="px-1">
        <Choice
          label={`Attribute of slot ${slot}`}
          shape="cell"
          className="w-28"
          value={c.attribute}
          options={[
            c.attribute,
            ...(choices.data ?? []).map((a) => a.attribute).filter((a) => a !== c.attribute),
          ]}
          onFocus={() => setChoosing(true)}
          onChange={(attribute) => onSet({ attribute })}
        />
      </td>
      <td className="px-1">
        <Choice
          label={`Bits of slot ${slot}`}
          shape="cell"
          className="w-14"
          value={String(c.octets * 8)}
          options={['8', '16', '24']}
          onChange={(bits) => onSet({ octets: Number(bits) / 8 })}
        />
      </td>
      <td className="px-1">
        <input
          key={key}
          aria-label={`Home of slot ${slot}`}
          className={`${small} !w-12`}
          defaultValue={c.home}
          onBlur={number((home) => ({ home }))}
        />
      </td>
      <td className="px-1">
        <input
          key={key}
          aria-label={`Highlight of slot ${slot}`}
          className={`${small} !w-12`}
          placeholder="—"
          defaultValue={c.highlight < 0 ? '' : c.highlight}
          onBlur={(e) =>
            onSet({ highlight: e.target.value === '' ? -1 : Number.parseInt(e.target.value, 10) || 0 })
          }
        />
      </td>
      <td className="px-1">
        <input
          key={key}
          aria-label={`Physical from of slot ${slot}`}
          className={`${small} !w-12`}
          defaultValue={c.physicalFrom}
          onBlur={number((physicalFrom) => ({ physicalFrom }))}
        />
      </td>
      <td className="px-1">
        <input
          key={key}
          aria-label={`Physical to of slot ${slot}`}
          className={`${small} !w-12`}
          defaultValue={c.physicalTo}
          onBlur={number((physicalTo) => ({ physicalTo }))}
        />
      </td>
      <td className="px-1 text-center">
        <input
          type="checkbox"
          aria-label={`Slot ${slot} inverted`}
          className="h-4 w-4"
          checked={c.inverted}
          onChange={(e) => onSet({ inverted: e.target.checked })}
        />
      </td>
      <td className="min-w-32 px-1">
        <div className="flex items-center gap-1">
          {c.attribute.startsWith('ColorAdd_') ? (
            <label className="flex items-center gap-1 text-ink-2">
              <input
                type="color"
                aria-label={`Emitter colour of slot ${slot}`}
                className="h-6 w-8"
                value={c.colour || '#808080'}
                onChange={(e) => onSet({ colour: e.target.value })}
              />
              {c.colour ? c.colour : 'usual colour'}
            </label>
          ) : (
            <input
              key={key}
              aria-label={`Ranges of slot ${slot}`}
              className={`${small} !font-sans`}
              placeholder="0-31 open, 32-63 Ripple"
              defaultValue={rangesText(c.ranges)}
              onBlur={(e) => void ranges(e.target.value)}
            />
          )}
          {c.ranges
            .filter((r) => r.colour)
            .slice(0, 6)
            .map((r) => (
              <span
                key={r.from}
                title={r.name}
                className="h-3 w-3 shrink-0 rounded-full border border-line"
                style={{ background: r.colour }}
              />
            ))}
        </div>
      </td>
      <td className="px-1">
        <Choice
          label={`What slot ${slot} needs`}
          shape="cell"
          className="w-20"
          value={c.needs ? `${c.needs} ${c.needsFrom}-${c.needsTo}` : ''}
          options={[
            { value: '', text: 'nothing' },
            ...(c.needs && !known
              ? [
                  {
                    value: `${c.needs} ${c.needsFrom}-${c.needsTo}`,
                    text: `${c.needs} ${c.needsFrom}–${c.needsTo}`,
                  },
                ]
              : []),
            ...others.flatMap((o) =>
              o.ranges.map((r) => ({
                value: `${o.label} ${r.from}-${r.to}`,
                text: `${o.label} in ${r.name}`,
              })),
            ),
          ]}
          onChange={(needed) => {
            const chosen = others
              .flatMap((o) => o.ranges.map((r) => ({ o, r })))
              .find(({ o, r }) => `${o.label} ${r.from}-${r.to}` === needed);
            onSet(
              chosen
                ? { needs: chosen.o.label, needsFrom: chosen.r.from, needsTo: chosen.r.to }
                : { needs: '', needsFrom: 0, needsTo: 255 },
            );
          }}
        />
      </td>
    </tr>
  );
}
