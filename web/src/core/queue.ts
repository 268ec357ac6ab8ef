/** Something that is worked on a little at a time. */
export interface Work<T> {
  /** Begins, or begins anew; an outcome that is known at once, or null. */
  begin: () => T | null;
  /** Goes on a little; how much is done, 0 to 1. */
  step: () => number;
  end: () => T;
}

interface Task {
  key: string;
  /** What a hand waits for goes before what is made ready. */
  isUrgent: boolean;
  /** When it began; null before. */
  began: number | null;
  isStopped: boolean;
  work: Work<unknown>;
  resolve: (outcome: unknown) => void;
  reject: (fault: unknown) => void;
}

/** How long it is worked before a message is heard, ms. */
const sliceMs = 12;
/** While a hand drags, questions follow each other faster than they are answered: one that is on its way is still answered, for so long. */
const patienceMs = 300;

/** Lets messages be heard. Not by a timer: after some in a row browsers hold those back. */
function heard(): Promise<void> {
  return new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });
}

/**
 * Does one thing after the other. Of things with one key only the newest is done; what is overtaken or stopped comes to null, and a
 * fault is the affair of whoever asked: the queue goes on.
 */
export function createQueue(onProgress: (key: string, done: number) => void) {
  let tasks: Task[] = [];
  let running = false;

  function drop(task: Task, outcome: unknown = null): void {
    tasks = tasks.filter((t) => t !== task);
    task.resolve(outcome);
  }

  async function run(): Promise<void> {
    if (running) {
      return;
    }
    running = true;
    while (tasks.length > 0) {
      const task = tasks.find((t) => t.isUrgent) ?? tasks[0]!;
      task.began = performance.now();
      try {
        const outcome = await inSlices(task);
        if (outcome !== undefined) {
          drop(task, outcome);
        } else if (task.isStopped || tasks.some((t) => t !== task && t.key === task.key)) {
          drop(task);
        }
      } catch (fault) {
        tasks = tasks.filter((t) => t !== task);
        task.reject(fault);
      }
      task.began = null;
      await heard();
    }
    running = false;
  }

  /** What came of it; undefined when it was stopped or overtaken. */
  async function inSlices(task: Task): Promise<unknown> {
    const { work, key } = task;
    const known = work.begin();
    if (known !== null) {
      return known;
    }
    let from = performance.now();
    for (;;) {
      const done = work.step();
      if (done < 1 && performance.now() - from <= sliceMs) {
        continue;
      }
      if (done < 1) {
        onProgress(key, done);
      }
      await heard();
      const overtaken = tasks.some((t) => t !== task && (t.key === key || (t.isUrgent && !task.isUrgent)));
      if (task.isStopped || (overtaken && (!task.isUrgent || performance.now() - task.began! > patienceMs))) {
        return undefined;
      }
      if (done >= 1) {
        return work.end();
      }
      from = performance.now();
    }
  }

  return {
    /** Asks for something; null when a newer one of its key took its place, or it was stopped. */
    ask<T>(key: string, isUrgent: boolean, work: Work<T>): Promise<T | null> {
      for (const waiting of tasks.filter((t) => t.key === key && t.began === null)) {
        drop(waiting);
      }
      return new Promise<T | null>((resolve, reject) => {
        tasks.push({ key, isUrgent, began: null, isStopped: false, work, resolve: resolve as Task['resolve'], reject });
        void run();
      });
    },
    /** Stops what has a key that is meant. */
    stop(isMeant: (key: string) => boolean): void {
      for (const task of tasks.filter((t) => isMeant(t.key))) {
        task.isStopped = true;
        if (task.began === null) {
          drop(task);
        }
      }
    },
  };
}
