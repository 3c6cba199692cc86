import { type Dimension, parseQuantity } from '../units';
import { type Data, type DataMap, isMap, type SourceFile } from './document';
import { unknownName } from './nearest';

export type Path = readonly (string | number)[];

/** Reads typed fields out of plain data; every mismatch becomes a problem with its line, and reading goes on. */
export class Fields {
  constructor(readonly file: SourceFile) {}

  map(data: Data | undefined, path: Path, what: string): DataMap {
    if (isMap(data)) return data;
    if (data === undefined) this.file.problem(path, `is missing; write ${what}`);
    else this.file.problem(path, `must be a map: ${what}`);
    return {};
  }

  optionalMap(data: Data | undefined, path: Path, what: string): DataMap {
    return data === undefined ? {} : this.map(data, path, what);
  }

  list(data: Data | undefined, path: Path, what: string): Data[] {
    if (Array.isArray(data)) return data;
    if (data !== undefined) this.file.problem(path, `must be a list: ${what}`);
    return [];
  }

  /** Reports keys nobody reads: almost always a typing mistake. */
  only(data: DataMap, path: Path, known: readonly string[]): void {
    for (const key of Object.keys(data))
      if (!known.includes(key)) this.file.problem([...path, key], unknownName('field', key, known));
  }

  text(data: DataMap, key: string, path: Path, fallback?: string): string {
    const value = data[key];
    if (typeof value === 'string' || typeof value === 'number') return String(value);
    if (value === undefined && fallback !== undefined) return fallback;
    this.file.problem([...path, key], value === undefined ? `is missing; write a text` : 'must be a text');
    return fallback ?? '';
  }

  choice<T extends string>(data: DataMap, key: string, path: Path, choices: readonly T[], fallback?: T): T {
    const value = data[key];
    if (value === undefined && fallback !== undefined) return fallback;
    if (typeof value === 'string' && (choices as readonly string[]).includes(value)) return value as T;
    this.file.problem(
      [...path, key],
      typeof value === 'string' ? unknownName('value', value, choices) : `must be one of ${choices.join(', ')}`,
    );
    return fallback ?? choices[0]!;
  }

  /** A list of words that are all known. */
  choices<T extends string>(data: Data | undefined, path: Path, what: string, known: readonly T[]): T[] {
    return this.list(data, path, what).flatMap((item, i) => {
      const found = known.find((k) => k === String(item));
      if (found !== undefined) return [found];
      this.file.problem([...path, i], unknownName('value', String(item), known));
      return [];
    });
  }

  /** One item of a list of sentences. */
  sentence(item: Data, path: Path): string {
    if (typeof item === 'string' && item.trim() !== '') return item;
    this.file.problem(path, 'must be a sentence');
    return '';
  }

  flag(data: DataMap, key: string, path: Path, fallback: boolean): boolean {
    const value = data[key];
    if (value === undefined) return fallback;
    if (typeof value === 'boolean') return value;
    this.file.problem([...path, key], 'must be true or false');
    return fallback;
  }

  number(data: DataMap, key: string, path: Path, fallback: number): number {
    const value = data[key];
    if (value === undefined) return fallback;
    if (typeof value === 'number' && Number.isFinite(value)) return value;
    this.file.problem([...path, key], 'must be a number');
    return fallback;
  }

  /** A number with its unit, SI. A bare 0 needs none. */
  quantity(data: DataMap, key: string, path: Path, dimension: Dimension, fallback?: number): number {
    const value = data[key];
    if (value === undefined) {
      if (fallback === undefined) this.file.problem([...path, key], `is missing; write a ${dimension} with its unit`);
      return fallback ?? 0;
    }
    return this.quantityValue(value, [...path, key], dimension) ?? fallback ?? 0;
  }

  quantityValue(value: Data, path: Path, dimension: Dimension): number | undefined {
    if (typeof value === 'number') {
      if (dimension === 'none' || value === 0) return value;
      this.file.problem(path, `needs a unit: ${value} of what ${dimension}?`);
      return undefined;
    }
    if (typeof value !== 'string') {
      this.file.problem(path, `must be a ${dimension} with its unit`);
      return undefined;
    }
    const parsed = parseQuantity(value, dimension);
    if (parsed.ok) return parsed.value.value;
    this.file.problem(path, parsed.message);
    return undefined;
  }
}
