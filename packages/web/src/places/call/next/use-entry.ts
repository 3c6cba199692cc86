import type { InputRef } from 'antd';
import { type RefObject, useState } from 'react';
import type { AnswerFormView } from '@zetalysis/core/presentation';
import type { Parsed } from '@zetalysis/core/units';
import { readField, type Typed } from '@zetalysis/core/visit';
import { withNetNames } from '../../../diagrams/wire-names';
import { useAppliance } from '../use-appliance';

export interface TypedEntry {
  readonly text: string;
  readonly problem: string | undefined;
  /** How it is read so far; nothing while nothing is typed. */
  readonly read: Parsed<Typed> | undefined;
  readonly field: RefObject<InputRef | null>;
  readonly setText: (text: string) => void;
  readonly enter: () => void;
}

interface About {
  /** The question that stands above the field. */
  readonly asked: AnswerFormView | undefined;
  /** The points, the part or the gauge that was tapped. */
  readonly tapped: readonly string[];
  /** The step at which a reading that names its points was taken. */
  readonly at: string | undefined;
  readonly field: RefObject<InputRef | null>;
}

/** What is being typed into the page's one field; what cannot be read stays there with the reason. */
export function useEntry({ asked, tapped, at, field }: About, onTyped: (typed: Typed) => void): TypedEntry {
  const {
    drawing: { words },
    wires,
  } = useAppliance();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const read =
    text.trim() === ''
      ? undefined
      : readField(words, withNetNames(text, wires, words.nets), {
          asked: asked?.kind === 'reading' ? asked : undefined,
          tapped: tapped.join(' '),
          ...(at !== undefined && { phase: at }),
        });
  return {
    text,
    problem,
    read,
    field,
    setText: (next) => {
      setText(next);
      setProblem(undefined);
    },
    enter: () => {
      if (read?.ok) {
        setText('');
        setProblem(undefined);
        return onTyped(read.value);
      }
      setProblem(read?.message ?? 'Type what the meter shows.');
      field.current?.focus();
    },
  };
}
