import { inputShape } from '../../../ui/Field';

interface Props {
  label: string;
  value: number;
  unit?: string;
  onSet: (text: string) => void;
}

/** A number that is sent when it is done with. */
export function NumberField({ label, value, unit = '', onSet }: Props) {
  const text = String(Number(value.toFixed(2)));
  return (
    <label className="flex items-center gap-1 text-[12px] text-ink-2">
      {label}
      <input
        key={text}
        className={`${inputShape} !w-14 text-right`}
        aria-label={label}
        defaultValue={text}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        onBlur={(e) => {
          const to = e.currentTarget.value.trim().replace(',', '.');
          if (to !== '' && to !== text) onSet(to);
        }}
      />
      {unit}
    </label>
  );
}
