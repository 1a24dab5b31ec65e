import { inputShape } from '../../../ui/Field';
import { asNumber, type Reader } from '../../../ui/reading';
import { Typed } from '../../../ui/Typed';

interface Props {
  label: string;
  value: number;
  unit?: string;
  read?: Reader;
  onSet: (text: string) => unknown;
}

/** A number that is sent when it is done with. */
export function NumberField({ label, value, unit = '', read = asNumber, onSet }: Props) {
  return (
    <label className="flex items-center gap-1 text-[12px] text-ink-2">
      {label}
      <Typed
        className={`${inputShape} !w-14 text-right`}
        label={label}
        value={String(Number(value.toFixed(2)))}
        read={read}
        onSet={onSet}
      />
      {unit}
    </label>
  );
}
