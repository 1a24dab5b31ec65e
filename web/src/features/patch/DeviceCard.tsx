import { useState } from 'react';
import { knowDevices, tellDevice } from '../../api/devices';
import type { DeviceRowView } from '../../api/client';
import { useDeviceDetails } from '../../api/queries';
import { attempt } from '../../doing/notices';
import { Button } from '../../ui/Button';
import { Field, inputShape } from '../../ui/Field';

/** One device looked at closely: what it tells, and what it can be told. */
export function DeviceCard({ row }: { row: DeviceRowView }) {
  const device = row.device;
  const details = useDeviceDetails(device?.line ?? 0, device?.uid ?? '').data;
  const [label, setLabel] = useState(device?.label ?? '');
  const [number, setNumber] = useState('');
  if (!device)
    return (
      <section aria-label="The device" className="shrink-0 rounded-lg border border-line-strong bg-sheet p-3">
        {row.words.map((w) => (
          <p key={w}>{w}</p>
        ))}
      </section>
    );
  const facts = [
    ...(details?.software ? [`software ${details.software}`] : []),
    ...(details?.hours ? [`${details.hours} h`] : []),
    ...(details?.lampHours ? [`lamp ${details.lampHours} h`] : []),
    ...(details?.sensors ?? []).map((s) => `${s.name} ${s.value} ${s.unit}${s.normal ? '' : ' ▲'}`),
  ];
  return (
    <section
      aria-label="The device"
      className="shrink-0 space-y-2 rounded-lg border border-line-strong bg-sheet p-3"
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <b>{device.model}</b>
        <span className="mono text-ink-2">{device.uid}</span>
        <span className="mono">{device.address}</span>
        {device.mode && <span>{device.mode}</span>}
        {row.by && (
          <span className="text-ink-2">{row.known ? 'remembered as this fixture' : `told by ${row.by}`}</span>
        )}
      </div>
      <div className="flex items-center gap-2">
        <p className="min-w-0 flex-1 text-ink-2">
          {details?.trouble ? `It was found, but ${details.trouble}.` : facts.join(', ') || 'Asking…'}
        </p>
        {details?.lamp && (
          <Button
            onClick={() =>
              void attempt(() => tellDevice(row.key, 'lamp', details.lamp === 'on' ? 'off' : 'on'))
            }
          >
            Lamp {details.lamp === 'on' ? 'off' : 'on'}
          </Button>
        )}
        <Button onClick={() => void attempt(() => tellDevice(row.key, 'reset'))}>Reset</Button>
      </div>
      <div className="flex flex-wrap items-end gap-2">
        <form
          className="flex items-end gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            void attempt(() => tellDevice(row.key, 'label', label));
          }}
        >
          <Field label="Label">
            <input
              className={`${inputShape} !w-36`}
              maxLength={32}
              value={label}
              onChange={(e) => setLabel(e.target.value)}
            />
          </Field>
          <Button type="submit" disabled={label === device.label}>
            Write
          </Button>
        </form>
        <form
          className="flex items-end gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            const uid = device.uid;
            void attempt(() => knowDevices({ uid, number: Number(number) })).then((d) => d && setNumber(''));
          }}
        >
          <Field label="It is fixture">
            <input
              className={`${inputShape} !w-16`}
              inputMode="numeric"
              placeholder={row.number > 0 ? String(row.number) : '12'}
              value={number}
              onChange={(e) => setNumber(e.target.value)}
            />
          </Field>
          <Button type="submit" disabled={!/^\d+$/.test(number)}>
            Remember
          </Button>
        </form>
      </div>
    </section>
  );
}
