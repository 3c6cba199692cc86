import { isCollection, isScalar, LineCounter, parseDocument, type Document } from 'yaml';

/** One thing wrong with a file: where, and what to write instead. */
export interface Problem {
  readonly file: string;
  readonly line: number;
  readonly path: string;
  readonly message: string;
}

export const formatProblem = (p: Problem): string =>
  `${p.file}:${p.line}: ${p.path === '' ? '' : `${p.path}: `}${p.message}`;

/** Thrown when a file cannot be used; carries every problem found, not only the first. */
export class ProblemError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map(formatProblem).join('\n'));
  }
}

/** Plain data as YAML or JSON gives it. */
export type Data = null | boolean | number | string | Data[] | { [key: string]: Data };
export type DataMap = { [key: string]: Data };

export const isMap = (data: Data | undefined): data is DataMap =>
  typeof data === 'object' && data !== null && !Array.isArray(data);

interface Parsed {
  readonly text: string;
  readonly document: Document.Parsed;
  readonly lines: LineCounter;
}

function parse(text: string): Parsed {
  const lines = new LineCounter();
  return { text, document: parseDocument(text, { lineCounter: lines, prettyErrors: false }), lines };
}

/** What was parsed last: one profile is loaded for its variants, and for hundreds of appliances of its type. */
let last: Parsed | undefined;

/** A YAML or JSON file that remembers its lines, and collects what is wrong with it. */
export class SourceFile {
  readonly problems: Problem[] = [];
  readonly data: Data;
  private readonly document: Document.Parsed;
  private readonly lines: LineCounter;

  constructor(
    text: string,
    readonly name: string,
  ) {
    if (last?.text !== text) last = parse(text);
    ({ document: this.document, lines: this.lines } = last);
    for (const error of this.document.errors)
      this.problems.push({ file: name, line: this.lines.linePos(error.pos[0]).line, path: '', message: error.message });
    this.data = this.problems.length > 0 ? null : readData(this.document, this.problems, name);
  }

  /** The line on which the value at a path stands, or its nearest written ancestor. */
  lineOf(path: readonly (string | number)[]): number {
    for (let depth = path.length; depth >= 0; depth--) {
      const node = depth === 0 ? this.document.contents : this.document.getIn(path.slice(0, depth), true);
      if ((isScalar(node) || isCollection(node)) && node.range) return this.lines.linePos(node.range[0]).line;
    }
    return 1;
  }

  problem(path: readonly (string | number)[], message: string): void {
    this.problems.push({ file: this.name, line: this.lineOf(path), path: path.join('.'), message });
  }

  throwIfBad(): void {
    if (this.problems.length > 0) throw new ProblemError(this.problems);
  }
}

function readData(document: Document.Parsed, problems: Problem[], file: string): Data {
  try {
    // Aliases are bounded so that a small file cannot grow into a large one.
    return document.toJS({ maxAliasCount: 20 }) as Data;
  } catch (error) {
    problems.push({ file, line: 1, path: '', message: `${(error as Error).message}; write the repeated parts out` });
    return null;
  }
}
