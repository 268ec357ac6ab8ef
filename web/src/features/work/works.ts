import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import type { WorkSummary } from '../../api/client';
import { comparison, production } from '../../documents/kinds';
import type { Kind } from '../../documents/outbox';

/** A kind of work, and where one of it is looked at. */
export interface Place {
  // What is done with any of them (renaming, copying) hands documents on as they are.
  kind: Kind<never>;
  address: string;
  plural: string;
}

export const places: Place[] = [
  { kind: comparison as unknown as Kind<never>, address: '/bench', plural: 'Comparisons' },
  { kind: production as unknown as Kind<never>, address: '/brief', plural: 'Productions' },
];

export const workKey = 'works';
const pageSize = 100;

/** The saved work of one kind, page by page; while a new question is on its way, the answer of before stays. */
function useKindOf(place: Place, deleted: boolean, search: string, isWanted: boolean) {
  return useInfiniteQuery({
    queryKey: [workKey, place.kind.kind, deleted, search],
    enabled: isWanted,
    initialPageParam: 0,
    queryFn: async ({ pageParam }) => {
      const page = await place.kind.works.list(deleted, pageParam, search);
      if ('kind' in page) {
        throw new Error(page.say);
      }
      return page;
    },
    getNextPageParam: (last, all) => (last.length < pageSize ? undefined : all.length * pageSize),
    placeholderData: keepPreviousData,
    retry: false,
    refetchOnWindowFocus: true,
    refetchInterval: (query) => (query.state.status === 'error' ? 2500 : false),
  });
}

const at = (item: WorkSummary): string => item.deletedAt ?? item.updatedAt;

/** The saved work of all kinds, or of one, the newest first. */
export function useWorks(deleted: boolean, search: string, only: string) {
  const [first, second] = places as [Place, Place];
  const wanted = (place: Place) => only === '' || place.kind.kind === only;
  const asked = [
    { place: first, query: useKindOf(first, deleted, search, wanted(first)) },
    { place: second, query: useKindOf(second, deleted, search, wanted(second)) },
  ].filter(({ place }) => wanted(place));
  // A list that goes on hides what is older than its end: until then it is not known what stands between.
  const known = asked.flatMap(({ query }) => (query.hasNextPage ? (query.data?.pages.flat().at(-1) ?? []) : [])).map(at);
  const until = known.length === 0 ? '' : known.reduce((a, b) => (a > b ? a : b));
  const items = asked
    .flatMap(({ place, query }) => (query.data?.pages.flat() ?? []).map((item) => ({ place, item })))
    .filter(({ item }) => at(item) >= until)
    .sort((a, b) => (at(a.item) < at(b.item) ? 1 : -1));
  return {
    items,
    error: asked.find(({ query }) => query.error)?.query.error ?? null,
    isPending: asked.some(({ query }) => query.isPending),
    hasMore: asked.some(({ query }) => query.hasNextPage),
    more: () => asked.forEach(({ query }) => query.hasNextPage && void query.fetchNextPage()),
    refetch: () => asked.forEach(({ query }) => void query.refetch()),
  };
}
