const form = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' });

/** A moment as short as it is clear. */
export const when = (instant: string) => form.format(new Date(instant));
