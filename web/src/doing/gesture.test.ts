import { describe, expect, it } from 'vitest';
import { gestures, type Hand } from './gesture';

describe('a gesture', () => {
  it('is one drag, however long the pointer rests in it', () => {
    const hand: Hand = { presses: 1, down: true };
    const belongs = gestures(hand);
    const first = belongs(0);
    expect(belongs(10_000)).toBe(first);
    hand.down = false;
    expect(belongs(10_100)).toBe(first);
    hand.presses = 2;
    hand.down = true;
    expect(belongs(10_150)).not.toBe(first);
  });

  it('is a row of keys until they pause', () => {
    const belongs = gestures({ presses: 3, down: false });
    const first = belongs(0);
    expect(belongs(600)).toBe(first);
    expect(belongs(1200)).toBe(first);
    expect(belongs(2000)).not.toBe(first);
  });

  it('does not take keys that come long after a drag for a part of it', () => {
    const hand: Hand = { presses: 1, down: true };
    const belongs = gestures(hand);
    const dragged = belongs(0);
    hand.down = false;
    expect(belongs(5000)).not.toBe(dragged);
  });

  it('is the same for two things that one press moves', () => {
    const hand: Hand = { presses: 5, down: true };
    expect(gestures(hand)(0)).toBe(gestures(hand)(40));
  });
});
