import type { SourceFile } from './document';
import { compileExpression } from './expression/compile';
import { type Expression, ExpressionError, type ExpressionType, type Names } from './expression/expression';
import type { Path } from './fields';

export type Compile = (text: string, path: Path, wanted: ExpressionType) => Expression;

/** Compiles the expressions of one profile, and notes at which values of quantities something changes. */
export interface Compiler {
  /** For what the control asks while it stands in a state: the moment at which its answer changes is not missed. */
  readonly guard: Compile;
  /** For what is asked all the time while the appliance runs and belongs to no state of the control. */
  readonly watched: Compile;
  /** For what is asked once. */
  readonly untimed: Compile;
  readonly noteThreshold: (quantity: number, value: number) => void;
  /** The noted values of a quantity, in order. */
  readonly thresholdsOf: (quantity: number) => readonly number[];
}

/** What cannot be compiled is a problem of the file at its place; the loading goes on, to name all problems at once. */
export function compilerOf(file: SourceFile, names: Names): Compiler {
  const thresholds = new Map<number, Set<number>>();
  const noteThreshold = (quantity: number, value: number): void => {
    thresholds.set(quantity, (thresholds.get(quantity) ?? new Set()).add(value));
  };
  const compile: Compile = (text, path, wanted) => {
    try {
      return compileExpression(text, names, wanted);
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      file.problem(path, error.message);
      return compileExpression('false', names);
    }
  };
  const untimed: Compile = (text, path, wanted) => {
    const expression = compile(text, path, wanted);
    if (expression.durations.length > 0)
      file.problem(
        path,
        `"${text}": after(…) counts from when the control entered a state, so it stands in guards alone; give a rule its own "after", or the circuit a part of kind delay`,
      );
    return expression;
  };
  const noting =
    (compiled: Compile): Compile =>
    (text, path, wanted) => {
      const expression = compiled(text, path, wanted);
      for (const t of expression.thresholds) noteThreshold(t.quantity, t.value);
      return expression;
    };
  return {
    guard: noting(compile),
    watched: noting(untimed),
    untimed,
    noteThreshold,
    thresholdsOf: (quantity) => [...(thresholds.get(quantity) ?? [])].sort((a, b) => a - b),
  };
}
