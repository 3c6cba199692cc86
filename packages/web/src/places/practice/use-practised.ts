import { useQuery } from '@tanstack/react-query';
import type { Me, PracticeStanding } from '@zetalysis/contract';
import { http } from '../../api/http';
import { type EndedExercise, type KeptExercise, practised } from '../../store/practice';

/** What somebody has practised, on this device and on others, and what was set for them. */
interface Practised {
  /** In the order in which they ended. */
  readonly played: readonly EndedExercise[];
  /** Begun and not ended, on this device. */
  readonly open: readonly KeptExercise[];
  readonly signed: PracticeStanding['signed'];
  /** Set and not played yet. */
  readonly set: PracticeStanding['set'];
  /** What the server has of everybody, for who teaches. */
  readonly all: PracticeStanding | undefined;
}

export const PRACTICE_KEY = ['practice'];

/** One’s own exercises: those that the server knows, and those that it does not have yet. */
export function usePractised(me: Me): Practised {
  const { data } = useQuery({ queryKey: PRACTICE_KEY, queryFn: () => http('GET /practice') });
  const here = practised(me.name);
  const known = (data?.results ?? []).filter(({ person }) => person === me.id);
  const codes = new Set(known.map(({ code }) => code));
  const played = [...known, ...here.played.filter(({ code }) => !codes.has(code))].sort((a, b) =>
    a.at < b.at ? -1 : 1,
  );
  const done = new Set(played.map(({ code }) => code));
  return {
    played,
    open: here.open.filter(({ code }) => !done.has(code)),
    signed: (data?.signed ?? []).filter(({ person }) => person === me.id),
    set: (data?.set ?? []).filter(({ person, code }) => person === me.id && !done.has(code)),
    all: data,
  };
}
