import { useQuery, type QueryClient } from '@tanstack/react-query';
import { create } from 'zustand';
import { api, failure, unreachable, type Failure } from '../api/client';
import type { components } from '../api/schema';
import { askAgain, patient } from './shelfApi';

export type Demo = components['schemas']['DemoOutput'];

/** What is known of the demo; null until it is known. Nothing is answered before it was asked for once. */
export const useDemoSet = create<{ demo: Demo | null; asked: boolean }>()(() => ({ demo: null, asked: false }));

/** Asks what belongs to the demo and whether it is here; what was known stays while the server is away. */
export async function readDemo(): Promise<Demo | Failure> {
  try {
    const { data, error, response } = await api.GET('/api/demo');
    if (data) {
      useDemoSet.setState({ demo: data });
    }
    return data ?? failure(response.status, error);
  } catch {
    return unreachable;
  } finally {
    useDemoSet.setState({ asked: true });
  }
}

/** The demo as it stands with the shelf that is shown. */
export const useDemo = (): Demo | null => {
  useQuery({
    queryKey: ['shelf', 'demo'],
    ...patient,
    queryFn: async () => {
      const demo = await readDemo();
      if ('kind' in demo) {
        throw new Error(demo.say);
      }
      return demo;
    },
  });
  return useDemoSet((s) => s.demo);
};

/** Brings the demo's gear and work back, or puts them away. */
export async function setDemo(isHere: boolean, queries: QueryClient): Promise<Demo | Failure> {
  try {
    const { data, error, response } = await api.PUT('/api/demo', { body: { isHere } });
    if (!data) {
      return failure(response.status, error);
    }
    useDemoSet.setState({ demo: data });
    await askAgain(queries);
    return data;
  } catch {
    return unreachable;
  }
}

/**
 * The demo's gear, to be left out of an answer: of all work that is not the demo's own, as soon as there is other gear to answer from.
 * Where gear is ticked one by one, what is ticked holds.
 */
export function leftOutFor(demo: Demo | null, work: string, bag: string[] | null | undefined): string[] {
  return demo && demo.isHere && demo.hasOwn && bag == null && !demo.works.includes(work) ? demo.gear : [];
}
