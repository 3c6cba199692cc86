/**
 * How one machine is built, beside its family: the options that are present, and the order in which the switches of a rung
 * follow each other from source to load.
 */
export interface Build {
  /** Ids of the family's variants. */
  readonly options: readonly string[];
  /** By rung, the ids of its switches in their order; rungs that are not named stand as in the family. */
  readonly order: Readonly<Record<string, readonly string[]>>;
}

/** As the family. */
export const PLAIN: Build = { options: [], order: {} };

/** A family with one of its named variants. */
export const withVariant = (variant: string | null | undefined): Build =>
  variant === null || variant === undefined ? PLAIN : { options: [variant], order: {} };

/** A key that is equal for equal builds. */
export const buildKey = ({ options, order }: Build): string =>
  JSON.stringify([[...options].sort(), Object.entries(order).sort(([a], [b]) => (a < b ? -1 : 1))]);
