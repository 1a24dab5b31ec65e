/** What was typed as it is meant, or what is wrong with it in words. */
export type Read = { text: string } | { refused: string };
export type Reader = (typed: string) => Read;

const NUMBER = /^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/;
const CLOCK = /^\d{1,4}:[0-5]?\d([.,]\d+)?$/;

const plain = (typed: string) => typed.trim().replace(',', '.').replace(/^\+/, '');

export const asText: Reader = (typed) => ({ text: typed.trim() });

/** A number with a point or a comma, and nothing else. */
export const asNumber: Reader = (typed) =>
  NUMBER.test(typed.trim()) ? { text: plain(typed) } : { refused: 'A number, such as 3 or 2.5.' };

/** A whole number from 1. */
export const asCount: Reader = (typed) =>
  /^0*[1-9]\d*$/.test(typed.trim()) ? { text: plain(typed) } : { refused: 'A whole number, such as 2.' };

/** Seconds, or minutes and seconds as 1:30. */
export const asTime: Reader = (typed) =>
  (NUMBER.test(typed.trim()) && !/^-/.test(typed.trim())) || CLOCK.test(typed.trim())
    ? { text: plain(typed) }
    : { refused: 'Seconds, such as 3 or 2.5, or 1:30.' };

/** The same, where nothing at all is meant, too. @param empty what that is called */
export const orEmpty =
  (read: Reader, empty: string): Reader =>
  (typed) =>
    typed.trim() === '' ? { text: empty } : read(typed);
