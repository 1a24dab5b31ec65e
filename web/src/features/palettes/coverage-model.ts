import type { Schemas } from '../../api/client';
import { edit } from '../../api/commands';
import { attempt } from '../../doing/notices';
import { quoted } from '../../doing/run';

export type Covered = Schemas['CoveredView'];
export type CrossingView = Schemas['CrossingView'];
export type TypeView = Schemas['TypeView'];

/** How something follows, in words. */
export const WAYS: Record<string, string> = {
  own: 'values of their own',
  mode: 'values of the mode',
  type: 'values of the type',
  global: 'global values',
  computed: 'computed',
  like: 'what a similar type has',
  mixed: 'some this way, some that way',
  none: 'does not follow',
};

/** Takes units selected, highlighted, and lets those follow that can. @param units all of the type when left out */
export async function takeInHand(palette: Covered, type: TypeView, crossing: CrossingView, units?: string[]) {
  await attempt(() =>
    units
      ? edit({ type: 'select', units, how: 'hold' })
      : edit({ type: 'choose', words: `type ${quoted(type.name)}`, how: 'hold' }),
  );
  await attempt(() => edit({ type: 'highlight', on: true }));
  if (crossing.way !== 'none' && crossing.way !== '')
    await attempt(() => edit({ type: 'apply', kind: palette.kind, number: palette.number }));
}
