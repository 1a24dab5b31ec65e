import { describe, expect, it } from 'vitest';
import { fixture } from '../testing/views';
import { rows } from './rows';
import type { Scene } from './scene';
import { toScreen } from './view';

const view = { left: 100, bottom: 200, scale: 10 };
const spot = (position: string, x: number, y: number) => ({
  fixture: fixture({ position, x, y }),
  ...toScreen(view as Scene['view'], x, y),
});
const truss = (name: string, kind = 'truss') => ({
  kind,
  name,
  corners: [-5, 5].flatMap((x) => [1.8, 2.2].map((y) => ({ x, y, z: 6 }))),
});
const scene = (spots: ReturnType<typeof spot>[], scenery: ReturnType<typeof truss>[]) =>
  ({ spots, scenery, view, side: 'plan' }) as unknown as Scene;

describe('hanging positions', () => {
  it('reach from the first of their fixtures to the last', () => {
    const [bridge] = rows(scene([spot('Bridge', -1, 2), spot('Bridge', 3, 2), spot('Rail', 8, 0)], []));
    expect(bridge).toMatchObject({ name: 'Bridge', left: 90, right: 130, several: true });
  });
  it('reach from end to end of the truss of their name', () => {
    const [bridge] = rows(scene([spot('Bridge', -1, 2), spot('Bridge', 3, 2)], [truss('bridge')]));
    expect(bridge).toMatchObject({ left: 50, right: 150 });
  });
  it('are not drawn along what only stands there', () => {
    const [bridge] = rows(scene([spot('Bridge', -1, 2)], [truss('Bridge', 'object'), truss('Other')]));
    expect(bridge).toMatchObject({ left: 90, right: 90, several: false });
  });
});
