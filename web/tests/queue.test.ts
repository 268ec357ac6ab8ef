import { expect, test, vi } from 'vitest';
import { createQueue, type Work } from '../src/core/queue';

/** So many steps, then an answer; each step takes some of a made-up time. */
function worked(clock: { now: number }, steps: number, answer: string, msEach = 20): Work<string> & { begun: number; left: number } {
  return {
    begun: 0,
    left: steps,
    begin() {
      this.begun++;
      this.left = steps;
      return null;
    },
    step() {
      clock.now += msEach;
      return --this.left <= 0 ? 1 : 1 - this.left / steps;
    },
    end: () => answer,
  };
}

function made() {
  const clock = { now: 0 };
  vi.spyOn(performance, 'now').mockImplementation(() => clock.now);
  const told: [string, number][] = [];
  const queue = createQueue((key, done) => told.push([key, done]));
  return { clock, told, queue };
}

test('things are done one after the other, what a hand waits for first, and progress is told', async () => {
  const { clock, told, queue } = made();
  const order: string[] = [];
  const note = (said: string | null) => void order.push(String(said));
  await Promise.all([
    queue.ask('thumb', false, worked(clock, 3, 'thumb')).then(note),
    queue.ask('shown', true, worked(clock, 2, 'shown')).then(note),
    queue.ask('day', true, worked(clock, 2, 'day')).then(note),
  ]);
  expect(order).toEqual(['shown', 'day', 'thumb']);
  expect(told).toContainEqual(['day', 0.5]);
});

test('of questions with one key only the newest is answered', async () => {
  const { clock, queue } = made();
  const answers = await Promise.all(['a', 'b', 'c'].map((said) => queue.ask('shown', true, worked(clock, 2, said))));
  expect(answers.at(-1)).toBe('c');
  expect(answers.slice(1, -1)).toEqual([null]);
});

test('one on its way is still answered for a while, then gives way', async () => {
  const { clock, queue } = made();
  const quick = queue.ask('shown', true, worked(clock, 4, 'quick'));
  const next = queue.ask('shown', true, worked(clock, 60, 'slow'));
  expect(await quick).toBe('quick');
  const last = queue.ask('shown', true, worked(clock, 2, 'last'));
  expect(await next).toBeNull();
  expect(await last).toBe('last');
});

test('what is made ready begins anew after something urgent', async () => {
  const { clock, queue } = made();
  const thumb = worked(clock, 8, 'thumb');
  const ready = queue.ask('thumb', false, thumb);
  await Promise.resolve();
  const urgent = queue.ask('shown', true, worked(clock, 2, 'shown'));
  expect(await urgent).toBe('shown');
  expect(await ready).toBe('thumb');
  expect(thumb.begun).toBe(2);
});

test('what is stopped comes to nothing, waiting or on its way', async () => {
  const { clock, queue } = made();
  const first = queue.ask('one', true, worked(clock, 50, 'one'));
  const second = queue.ask('two', true, worked(clock, 50, 'two'));
  const other = queue.ask('other', false, worked(clock, 2, 'other'));
  queue.stop((key) => key === 'one' || key === 'two');
  expect(await Promise.all([first, second])).toEqual([null, null]);
  expect(await other).toBe('other');
  expect(await queue.ask('three', true, worked(clock, 1, 'three'))).toBe('three');
});

test('a refusal is answered at once, and a fault leaves the queue alive', async () => {
  const { clock, queue } = made();
  const refused: Work<string> = { begin: () => 'refused', step: () => 1, end: () => 'never' };
  const faulty: Work<string> = {
    begin: () => null,
    step() {
      throw new Error('of another shelf');
    },
    end: () => 'never',
  };
  const [said, fault, after] = await Promise.allSettled([
    queue.ask('a', true, refused),
    queue.ask('b', true, faulty),
    queue.ask('c', true, worked(clock, 2, 'after')),
  ]);
  expect(said).toMatchObject({ value: 'refused' });
  expect(fault).toMatchObject({ status: 'rejected', reason: { message: 'of another shelf' } });
  expect(after).toMatchObject({ value: 'after' });
});
