import type { Schemas } from '../../api/client';

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
            <select
              className="h-7 rounded border border-line-strong bg-sheet"
              value={h.field}
              onChange={(e) => onMap(h.header, e.target.value)}
            >
              <option value="">leave out</option>
              {fields.map((f) => (
                <option key={f} value={f}>
                  {f}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}
