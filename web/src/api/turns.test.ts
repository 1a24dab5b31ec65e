import { describe, expect, it } from 'vitest';
import { inTurn, newestInTurn, settled } from './turns';

/** What was done, in order; each takes a moment, and so what is asked for at once waits. */
function told() {
  const done: string[] = [];
  const work = (name: string) => async () => {
    await Promise.resolve();
    done.push(name);
    return name;
  };
  const move = (of: string, value: number) => newestInTurn(of, value, (newest) => work(`${of} ${newest}`)());
  return { done, work, move };
}

describe('what is asked for again and again', () => {
  it('is done first and last, and what came in between only as the newest', async () => {
    const { done, move } = told();
    void move('fader', 1);
    await Promise.resolve();
    await Promise.resolve();
    for (const value of [2, 3, 4]) void move('fader', value);
    await settled();
    expect(done).toEqual(['fader 1', 'fader 4']);
  });

  it('is where it was when something else was asked for, and not moved after it', async () => {
    const { done, work, move } = told();
    void inTurn(work('before'));
    void move('fader', 40);
    void move('fader', 90);
    void inTurn(work('undo'));
    await settled();
    expect(done).toEqual(['before', 'fader 90', 'undo']);
  });

  it('never goes in front of what was asked for before it', async () => {
    const { done, work, move } = told();
    void inTurn(work('before'));
    void move('fader', 40);
    void inTurn(work('record'));
    void move('fader', 90);
    await settled();
    expect(done).toEqual(['before', 'fader 40', 'record', 'fader 90']);
  });

  it('does not take the place of something else that moves', async () => {
    const { done, work, move } = told();
    void inTurn(work('before'));
    void move('dimmer', 40);
    void move('red', 10);
    void move('dimmer', 50);
    await settled();
    expect(done).toEqual(['before', 'dimmer 40', 'red 10', 'dimmer 50']);
  });

  it('loses no step where steps are added up', async () => {
    const steps: number[] = [];
    const step = (by: number) =>
      newestInTurn(
        'pan',
        by,
        async (sum) => void steps.push(sum),
        (a, b) => a + b,
      );
    for (let i = 0; i < 50; i++) {
      void step(1);
      if (i % 7 === 0) await Promise.resolve();
    }
    await settled();
    expect(steps.reduce((a, b) => a + b, 0)).toBe(50);
    expect(steps.length).toBeLessThan(50);
  });

  it('answers everybody who asked, and fails for all of them', async () => {
    const answers = [1, 2, 3].map((value) => newestInTurn('fader', value, async (newest) => newest));
    expect(await Promise.all(answers)).toEqual([3, 3, 3]);
    const failing = [1, 2].map((value) =>
      newestInTurn('other', value, async () => Promise.reject(new Error('no'))),
    );
    expect((await Promise.allSettled(failing)).map((f) => f.status)).toEqual(['rejected', 'rejected']);
    expect(await inTurn(async () => 'goes on')).toBe('goes on');
  });
});
