import type { InputRef } from 'antd';
import { type RefObject, useRef, useState } from 'react';
import type { Parsed } from '@zetalysis/core/units';

interface TypedReading {
  readonly text: string;
  readonly problem: string | undefined;
  readonly field: RefObject<InputRef | null>;
  readonly setText: (text: string) => void;
  readonly enter: () => void;
}

/** A reading that is being typed: read when it is entered; what cannot be read stays in the field with the reason. */
export function useReading<T>(
  read: (text: string) => Parsed<T>,
  onRead: (value: T) => void,
  /** The field, where somebody else wants to reach it too. */
  given?: RefObject<InputRef | null>,
): TypedReading {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const own = useRef<InputRef>(null);
  const field = given ?? own;
  return {
    text,
    problem,
    field,
    setText: (next) => {
      setText(next);
      setProblem(undefined);
    },
    enter: () => {
      const parsed = read(text);
      setProblem(parsed.ok ? undefined : parsed.message);
      if (!parsed.ok) return field.current?.focus();
      setText('');
      onRead(parsed.value);
    },
  };
}
