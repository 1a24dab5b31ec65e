import type { Schemas } from '../../api/client';
import { Choice } from '../../ui/Choice';

type HeaderView = Schemas['HeaderView'];

export const recognised = (headers: HeaderView[]) =>
  Object.fromEntries(headers.map((h) => [h.header, h.field]));

interface Props {
  headers: HeaderView[];
  fields: string[];
  /** Whether there is nothing to see yet without a person's choice. */
  open: boolean;
  hint: string;
  onMap: (header: string, field: string) => void;
}

/** A column that is not taken. */
const LEFT_OUT = 'leave out';

/** The columns of a paper and what each was taken for; a person can say otherwise. */
export function Headers({ headers, fields, open, hint, onMap }: Props) {
  const unknown = headers.filter((h) => h.field === '');
  return (
    <details open={open}>
      <summary className="cursor-pointer">
        {headers.length - unknown.length} of {headers.length} columns recognised
        {unknown.length > 0 && (
          <span className="text-ochre"> · left out: {unknown.map((h) => h.header).join(', ')}</span>
        )}
      </summary>
      {open && <p className="pt-2 text-ochre">{hint}</p>}
      <div className="flex flex-wrap gap-2 pt-2">
        {headers.map((h) => (
          <label key={h.header} className="flex flex-col text-[12px]">
            <span className="max-w-36 truncate" title={h.sample}>
              <b>{h.header}</b> {h.sample && `“${h.sample}”`}
            </span>
            <Choice
              label={`What ${h.header} holds`}
              value={h.field || LEFT_OUT}
              options={[{ value: LEFT_OUT, text: 'leave out' }, ...fields]}
              onChange={(f) => onMap(h.header, f === LEFT_OUT ? '' : f)}
            />
          </label>
        ))}
      </div>
    </details>
  );
}
