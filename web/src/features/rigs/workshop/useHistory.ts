import { useCallback, useState } from "react";

interface Line<T> {
  past: T[];
  now: T;
  future: T[];
}

export interface History<T> {
  now: T;
  /** A step that can be taken back. `key` joins quick steps on the same thing, such as letters typed into one box. */
  change: (next: T, key?: string) => void;
  undo: () => void;
  redo: () => void;
  canUndo: boolean;
  canRedo: boolean;
  steps: number;
}

const MOST = 200;

/** A value with undo and redo. */
export function useHistory<T>(start: T): History<T> {
  const [line, setLine] = useState<Line<T> & { key: string | undefined }>({
    past: [],
    now: start,
    future: [],
    key: undefined,
  });
  const change = useCallback((next: T, key?: string) => {
    setLine((old) => {
      const joined = key !== undefined && key === old.key;
      return { past: joined ? old.past : [...old.past, old.now].slice(-MOST), now: next, future: [], key };
    });
  }, []);
  const undo = useCallback(() => {
    setLine((old) => {
      const before = old.past.at(-1);
      return before === undefined
        ? old
        : { past: old.past.slice(0, -1), now: before, future: [old.now, ...old.future], key: undefined };
    });
  }, []);
  const redo = useCallback(() => {
    setLine((old) => {
      const [next, ...rest] = old.future;
      return next === undefined
        ? old
        : { past: [...old.past, old.now], now: next, future: rest, key: undefined };
    });
  }, []);
  return {
    now: line.now,
    change,
    undo,
    redo,
    canUndo: line.past.length > 0,
    canRedo: line.future.length > 0,
    steps: line.past.length,
  };
}
