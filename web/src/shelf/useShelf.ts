// The part of the shelf that is looked for, as it comes from the server piece by piece.
import {
  infiniteQueryOptions,
  keepPreviousData,
  useInfiniteQuery,
  useQueryClient,
  type QueryClient,
} from '@tanstack/react-query';
import { useCallback, useDeferredValue, useEffect, useState } from 'react';
import { api, ApiError, type ShelfPart, type ShelfQuery } from '../state/api';
import { lessonsKept } from '../state/device';

const PART = 60;

/**
 * The lessons that can be opened without the network, with why there are no others; where there are none,
 * that is all.
 */
async function onDevice(query: ShelfQuery, why: ApiError): Promise<ShelfPart & { why: string }> {
  const kept = query.deleted ? [] : await lessonsKept.all().catch(() => []);
  if (kept.length === 0) throw why;
  const sought = (query.q ?? '').trim().toLowerCase();
  const lessons = kept
    .filter(({ lesson }) => lesson.title?.toLowerCase().includes(sought))
    .map(({ id, rev, lesson, at }) => {
      const day = new Date(at).toISOString();
      return {
        id,
        rev,
        title: lesson.title ?? '',
        objective: '',
        scenes: 0,
        topics: [],
        folder: '',
        openedAt: day,
        updatedAt: day,
      };
    });
  return {
    lessons,
    total: lessons.length,
    all: kept.length,
    others: 0,
    topics: [],
    folders: [],
    why: why.message,
  };
}

/** How long what was asked for before the page stood need not be asked for again, in milliseconds. */
const FRESH_MS = 5000;

/** What of the shelf stands when it is opened. */
const FIRST: ShelfQuery = { sort: 'opened' };

const partsOf = (query: ShelfQuery) =>
  infiniteQueryOptions({
    queryKey: ['lessons', query],
    queryFn: ({ pageParam }) =>
      api.shelf({ ...query, from: pageParam, most: PART }).catch((error: unknown) => {
        if (error instanceof ApiError && error.code === 'offline' && pageParam === 0)
          return onDevice(query, error);
        throw error;
      }),
    initialPageParam: 0,
    getNextPageParam: (last: ShelfPart, all: ShelfPart[]) => {
      const come = all.reduce((n, part) => n + part.lessons.length, 0);
      return last.lessons.length > 0 && come < last.total ? come : undefined;
    },
  });

/** Asks for the first lessons before there is a page to show them. */
export const fetchFirst = (client: QueryClient) => client.prefetchInfiniteQuery(partsOf(FIRST));

export function useShelf() {
  const [query, setQuery] = useState(FIRST);
  const client = useQueryClient();
  const sought = useDeferredValue(query);
  const parts = useInfiniteQuery({
    ...partsOf(sought),
    placeholderData: keepPreviousData,
    staleTime: FRESH_MS,
  });
  // Whoever comes back sees what was changed meanwhile.
  useEffect(
    () => () => void client.invalidateQueries({ queryKey: ['lessons'], refetchType: 'none' }),
    [client],
  );
  const again = useCallback(() => client.invalidateQueries({ queryKey: ['lessons'] }), [client]);
  return {
    query,
    look: (change: ShelfQuery) => setQuery((was) => ({ ...was, ...change })),
    lessons: parts.data?.pages.flatMap((part) => part.lessons) ?? [],
    first: parts.data?.pages[0],
    parts,
    /** Why only what is on the device is here. */
    why: (parts.data?.pages[0] as { why?: string } | undefined)?.why,
    /** Reads the shelf again, after something was done with it. */
    again,
  };
}

export type Shelf = ReturnType<typeof useShelf>;
