import type { FixtureView } from '../../api/client';
import { heldNow } from '../../api/queries';
import { runEdit } from '../../doing/run';
import { MenuButton } from '../../ui/MenuButton';

/** Which ways the selected heads are set to turn the other way round; nothing where none of them turns. */
export function Inverting({ fixtures }: { fixtures: FixtureView[] }) {
  const heads = fixtures.filter((f) => f.turns);
  if (heads.length === 0) return null;
  const pan = heads.every((f) => f.panInverted);
  const tilt = heads.every((f) => f.tiltInverted);
  const invert = async (ways: { pan?: boolean; tilt?: boolean }) =>
    runEdit({ type: 'invert-heads', numbers: await heldNow(), ...ways });
  const under = (on: boolean) =>
    on
      ? 'as it turns by itself'
      : 'as the heads are set themselves: values stay, what is sent is turned over';
  return (
    <MenuButton
      label="Pan or tilt that is inverted at the heads"
      entries={[
        {
          text: pan ? 'Pan no longer inverted' : 'Invert pan',
          under: under(pan),
          onPress: () => void invert({ pan: !pan }),
        },
        {
          text: tilt ? 'Tilt no longer inverted' : 'Invert tilt',
          under: under(tilt),
          onPress: () => void invert({ tilt: !tilt }),
        },
      ]}
    >
      {pan && tilt ? 'Both inverted' : pan ? 'Pan inverted' : tilt ? 'Tilt inverted' : 'Invert'}
    </MenuButton>
  );
}
