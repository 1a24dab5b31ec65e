import { useRef, useState, type InputHTMLAttributes } from 'react';
import { asText, type Reader } from './reading';

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange' | 'onBlur'> {
  /** What stands there, as it is told last: also while the field has the focus, unless something was typed. */
  value: string;
  label: string;
  /** What may be typed; text of any kind when left out. */
  read?: Reader;
  /** Called once, when something else was typed and is done with: by Enter or by leaving. */
  onSet: (text: string) => unknown;
  /** Whether it takes all the room there is. */
  wide?: boolean;
  /** Called after Enter and Escape. */
  onDone?: () => void;
}

/**
 * A field whose value is kept elsewhere. What was not typed into is never written back; what cannot be meant stays there,
 * marked, with words, and is not sent. Escape gives it up.
 */
export function Typed({
  value,
  label,
  read = asText,
  onSet,
  onDone,
  wide = false,
  className = '',
  ...input
}: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState('');
  const sending = useRef(false);
  const giveUp = () => {
    setTyped(null);
    setRefused('');
  };
  const take = async () => {
    if (typed === null || sending.current) return;
    if (typed.trim() === value) return giveUp();
    const found = read(typed);
    if ('refused' in found) return setRefused(found.refused);
    setRefused('');
    sending.current = true;
    // What was typed stands there until what came of it does.
    try {
      await onSet(found.text);
    } finally {
      sending.current = false;
      setTyped(null);
    }
  };
  return (
    <span className={`inline-flex min-w-0 flex-wrap items-center gap-1 ${wide ? 'flex-1' : ''}`}>
      <input
        {...input}
        aria-label={label}
        aria-invalid={refused !== ''}
        aria-description={refused || undefined}
        className={`${className} ${refused ? '!border-madder' : ''}`}
        value={typed ?? value}
        onChange={(e) => {
          setTyped(e.target.value);
          setRefused('');
        }}
        onBlur={() => void take()}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.stopPropagation();
            const stays = typed !== null && 'refused' in read(typed) && typed.trim() !== value;
            void take();
            if (stays) return;
            e.currentTarget.blur();
            onDone?.();
          } else if (e.key === 'Escape') {
            if (typed !== null) e.stopPropagation();
            giveUp();
            // Left without anything that was typed.
            const field = e.currentTarget;
            window.setTimeout(() => field.blur());
            onDone?.();
          }
        }}
      />
      {refused && (
        <span role="alert" className="text-[12px] whitespace-nowrap text-madder">
          {refused}
        </span>
      )}
    </span>
  );
}
