// A class as it is now: read again when the server tells that something changed.
import { useQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useEffect } from 'react';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { classes, nothingUp, type ClassBoard, type PutUp } from '../state/classroom';
import { notify, sentence, useLesson } from '../state/lesson';
import { hear } from '../state/stream';

/**
 * The class that is here now, and the lesson that it is here for, also when this window is loaded again: a
 * teacher may have several in a day.
 */
export const useToday = create<{ of: string; lesson: string }>()(
  persist(() => ({ of: '', lesson: '' }), {
    name: 'unitbloom-class',
    storage: createJSONStorage(() => sessionStorage),
  }),
);

/** Tells which class is here for the lesson that is open: one that was chosen for it, or set something of it. */
export const isHere = (of: string) => useToday.setState({ of, lesson: useLesson.getState().id });

/** How often what only time changes is read again, in milliseconds: who has been quiet, who is away. */
const AGAIN_MS = 20_000;

export const useClasses = () => useQuery({ queryKey: ['classes'], queryFn: classes.all });

/** The teacher's own: those that she sets tasks for. */
export const useOwnClasses = () =>
  useQuery({ queryKey: ['classes'], queryFn: classes.all, select: (all) => all.filter((c) => !c.by) });

export const useClass = (id: string) =>
  useQuery({ queryKey: ['class', id], queryFn: () => classes.get(id), refetchInterval: AGAIN_MS });

export const useWall = (set: string) =>
  useQuery({ queryKey: ['wall', set], queryFn: () => classes.wall(set), refetchInterval: AGAIN_MS });

export const useClassBoard = (id: string) =>
  useQuery({ queryKey: ['class board', id], queryFn: () => classes.board(id), enabled: id !== '' });

/** Puts something up on a class's board in the place of what is there, or takes that down. */
export function usePutUp(id: string) {
  const client = useQueryClient();
  const queryKey = ['class board', id];
  return (up: Partial<PutUp>) => {
    const next = { ...nothingUp, ...up };
    // What is taken down goes at once; what is put up stands when the server has it.
    const none = next.attempts.length === 0 && next.set === '';
    void client.cancelQueries({ queryKey });
    client.setQueryData<ClassBoard>(
      queryKey,
      (was) => was && { ...was, up: next, ...(none && { works: [], all: null }) },
    );
    void classes
      .putUp(id, next)
      .catch((error: unknown) => notify('refusal', sentence(error)))
      .finally(() => void client.invalidateQueries({ queryKey }));
  };
}

/** How often the wall is read at most, in milliseconds, however many hand in at once. */
const GATHER_MS = 250;

/** Listens to a class; after a gap all is read anew. */
export function useClassEvents(id: string) {
  const client = useQueryClient();
  useEffect(() => {
    if (!id) return;
    const waiting = new Map<string, ReturnType<typeof setTimeout>>();
    const again = (...key: QueryKey) => {
      const name = key.join(' ');
      if (waiting.has(name)) return;
      waiting.set(
        name,
        setTimeout(() => {
          waiting.delete(name);
          void client.invalidateQueries({ queryKey: key });
        }, GATHER_MS),
      );
    };
    const message = (data: string) => {
      const [what, of] = data.split(' ');
      if (what === 'set') again('wall', of);
      if (what === 'class') {
        again('class', id);
        again('wall');
      }
      again('class board', id);
    };
    const stop = hear(`/api/classes/${id}/events`, {
      message,
      gap: () => void client.invalidateQueries(),
    });
    return () => {
      stop();
      waiting.forEach(clearTimeout);
    };
  }, [client, id]);
}
