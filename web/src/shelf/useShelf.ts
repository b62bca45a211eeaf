// The part of the shelf that is looked for, as it comes from the server piece by piece.
import { keepPreviousData, useInfiniteQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useDeferredValue, useState } from 'react';
import { api, type ShelfQuery } from '../state/api';

const PART = 60;

export function useShelf() {
  const [query, setQuery] = useState<ShelfQuery>({ sort: 'opened' });
  const client = useQueryClient();
  const sought = useDeferredValue(query);
  const parts = useInfiniteQuery({
    queryKey: ['lessons', sought],
    queryFn: ({ pageParam }) => api.shelf({ ...sought, from: pageParam, most: PART }),
    initialPageParam: 0,
    getNextPageParam: (last, all) => {
      const come = all.reduce((n, part) => n + part.lessons.length, 0);
      return last.lessons.length > 0 && come < last.total ? come : undefined;
    },
    placeholderData: keepPreviousData,
  });
  const again = useCallback(() => client.invalidateQueries({ queryKey: ['lessons'] }), [client]);
  return {
    query,
    look: (change: ShelfQuery) => setQuery((was) => ({ ...was, ...change })),
    lessons: parts.data?.pages.flatMap((part) => part.lessons) ?? [],
    first: parts.data?.pages[0],
    parts,
    /** Reads the shelf again, after something was done with it. */
    again,
  };
}

export type Shelf = ReturnType<typeof useShelf>;
