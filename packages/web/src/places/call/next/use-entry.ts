import type { InputRef } from 'antd';
import { type RefObject, useState } from 'react';
import type { AnswerFormView } from '@zetalysis/core/presentation';
import type { Parsed } from '@zetalysis/core/units';
import { readField, type Typed } from '@zetalysis/core/visit';
import { withNetNames } from '../../../diagrams/wire-names';
import { useAppliance } from '../use-appliance';

/** What is known of a reading besides its number: by which instrument, at which setting, how often through the jaw. */
export type AlsoSaid = Readonly<Record<string, string | number>>;

export interface TypedEntry {
  readonly text: string;
  readonly problem: string | undefined;
  /** How it is read so far; nothing while nothing is typed. */
  readonly read: Parsed<Typed> | undefined;
  readonly field: RefObject<InputRef | null>;
  readonly setText: (text: string) => void;
  readonly enter: () => void;
  /**
   * Enters what an instrument showed, as if it had been typed; with what else is known of it, and where, if it is not what is
   * asked about.
   */
  readonly take: (text: string, more: AlsoSaid, where?: string) => void;
  /** How many readings were entered here. */
  readonly made: number;
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
  const [made, setMade] = useState(0);
  const reading = (typed: string, where = tapped.join(' ')): Parsed<Typed> =>
    readField(words, withNetNames(typed, wires, words.nets), {
      asked: asked?.kind === 'reading' ? asked : undefined,
      tapped: where,
      ...(at !== undefined && { phase: at }),
    });
  const read = text.trim() === '' ? undefined : reading(text);
  const done = (typed: Typed): void => {
    setText('');
    setProblem(undefined);
    setMade((n) => n + 1);
    onTyped(typed);
  };
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
      if (read?.ok) return done(read.value);
      setProblem(read?.message ?? 'Type what the meter shows.');
      field.current?.focus();
    },
    take: (typed, more, where) => {
      const shown = reading(typed, where);
      if (shown.ok) done({ ...shown.value, body: { ...shown.value.body, ...more } as Typed['body'] });
      else setProblem(shown.message);
    },
    made,
  };
}
