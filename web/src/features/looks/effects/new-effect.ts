/** An effect that is put together before it is started. */
export interface NewEffect {
  /** An attribute's name; or what else is moved. */
  what: string;
  /** Waveform or figure. */
  form: string;
  /** Percent. */
  from: string;
  to: string;
  /** Degrees of a figure. */
  size: string;
  /** As the line names them, of one kind: `colour 3`. */
  palettes: string[];
  rate: string;
  /** As the line writes it. */
  offset: string;
}

/** What is moved besides single attributes. */
export const POSITION = 'position';
export const BETWEEN = 'between two palettes';
export const THROUGH = 'through a row of palettes';

export const WAVES = ['sine', 'triangle', 'ramp', 'fall', 'square', 'random'];
export const FIGURES = ['circle', 'eight', 'line', 'square'];

/** Forms that what is moved can have; none for a row of palettes. */
export const formsOf = (what: string) => (what === POSITION ? FIGURES : what === THROUGH ? [] : WAVES);

export const BLANK: NewEffect = {
  what: 'Dimmer',
  form: 'sine',
  from: '20',
  to: '80',
  size: '20',
  palettes: ['', ''],
  rate: '20',
  offset: 'offset round',
};

/** The kind of a palette as the line names it. */
const kindOf = (palette: string) => palette.split(' ')[0]!;
const numberOf = (palette: string) => palette.split(' ').slice(1).join(' ');

/** Another thing to move: a form that it cannot have gives way to its first. */
export function moving(draft: NewEffect, what: string): NewEffect {
  const forms = formsOf(what);
  return { ...draft, what, form: forms.includes(draft.form) ? draft.form : (forms[0] ?? draft.form) };
}

/** What the line would do; empty as long as something is missing. */
export function lineOf(d: NewEffect): string {
  const chosen = d.palettes.filter(Boolean);
  const oneKind = chosen.every((p) => kindOf(p) === kindOf(chosen[0] ?? ''));
  const turning = [d.rate.trim() && `rate ${d.rate.trim()}`, d.offset].filter(Boolean).join(' ');
  if (d.what === THROUGH)
    return chosen.length < 2 || !oneKind
      ? ''
      : `run ${kindOf(chosen[0]!)} ${chosen.map(numberOf).join(' + ')} ${turning}`;
  if (d.what === BETWEEN)
    return chosen.length !== 2 || !oneKind
      ? ''
      : `${d.form} of ${kindOf(chosen[0]!)} at ${chosen[0]} thru ${chosen[1]} ${turning}`;
  if (d.what === POSITION)
    return d.size.trim() ? `${d.form} of position size ${d.size.trim()} ${turning}` : '';
  return d.from.trim() && d.to.trim()
    ? `${d.form} of ${d.what} at ${d.from.trim()} thru ${d.to.trim()} ${turning}`
    : '';
}
