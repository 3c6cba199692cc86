import Joi from 'joi';
import type { TSchema } from '@sinclair/typebox';

/** The keywords of JSON Schema that the contract uses. */
interface Keywords {
  readonly type?: string;
  readonly const?: unknown;
  readonly anyOf?: readonly Keywords[];
  readonly discriminator?: { readonly propertyName: string };
  readonly properties?: Readonly<Record<string, Keywords>>;
  readonly required?: readonly string[];
  readonly patternProperties?: Readonly<Record<string, Keywords>>;
  readonly maxProperties?: number;
  readonly items?: Keywords;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minLength?: number;
  readonly maxLength?: number;
  readonly pattern?: string;
  readonly format?: string;
  /** What a pattern asks for, in words. */
  readonly title?: string;
  /** Without blanks at its ends. */
  readonly trimmed?: boolean;
  readonly minimum?: number;
  readonly maximum?: number;
}

/** The Joi schema that takes exactly what a schema of the contract says. Unknown fields are refused. */
export const joiOf = (schema: TSchema): Joi.Schema => converted(schema as Keywords);

function converted(s: Keywords): Joi.Schema {
  if (s.anyOf) return alternatives(s.anyOf, s.discriminator?.propertyName);
  if (s.const !== undefined) return Joi.valid(s.const);
  switch (s.type) {
    case 'string':
      return text(s);
    case 'integer':
      return between(Joi.number().integer(), s);
    case 'number':
      return between(Joi.number().unsafe(), s);
    case 'boolean':
      return Joi.boolean();
    case 'null':
      return Joi.valid(null);
    case 'array': {
      let list = Joi.array();
      if (s.items) list = list.items(converted(s.items));
      if (s.minItems !== undefined) list = list.min(s.minItems);
      return s.maxItems === undefined ? list : list.max(s.maxItems);
    }
    case 'object':
      return s.patternProperties ? record(s.patternProperties, s) : object(s);
    default:
      throw new RangeError(`the contract uses a schema that has no check: ${JSON.stringify(s)}`);
  }
}

function text({ minLength = 0, maxLength, pattern, format, title, trimmed }: Keywords): Joi.Schema {
  let string = format === 'date-time' ? Joi.string().isoDate() : Joi.string();
  if (minLength === 0 && format === undefined && pattern === undefined) string = string.allow('');
  if (minLength > 0) string = string.min(minLength);
  if (maxLength !== undefined) string = string.max(maxLength);
  if (pattern !== undefined) string = string.pattern(new RegExp(pattern), title);
  if (trimmed) string = string.trim();
  return wellFormed(string);
}

/** Half a character (a lone surrogate) cannot be stored: it would come back as something else. */
const wellFormed = (string: Joi.StringSchema): Joi.StringSchema =>
  string
    .custom((value: string, { error }) => (isWellFormed(value) ? value : error('string.half')))
    .messages({
      'string.half': '{{#label}} holds half a character; type it again',
      'string.pattern.name': '{{#label}} is not a {{#name}}',
    });

const isWellFormed = (value: string): boolean => !/\p{Surrogate}/u.test(value);

function between(number: Joi.NumberSchema, { minimum, maximum }: Keywords): Joi.Schema {
  let bounded = number;
  if (minimum !== undefined) bounded = bounded.min(minimum);
  return maximum === undefined ? bounded : bounded.max(maximum);
}

function object({ properties = {}, required = [] }: Keywords): Joi.Schema {
  const fields = Object.entries(properties).map(([name, field]) => {
    const schema = converted(field);
    return [name, required.includes(name) ? schema.required() : schema] as const;
  });
  return Joi.object(Object.fromEntries(fields));
}

function record(patterns: Readonly<Record<string, Keywords>>, { maxProperties }: Keywords): Joi.Schema {
  let map = Joi.object();
  for (const [pattern, value] of Object.entries(patterns))
    map = map.pattern(wellFormed(Joi.string().pattern(new RegExp(pattern))), converted(value));
  return maxProperties === undefined ? map : map.max(maxProperties);
}

/** With a field that tells which one is meant, only that one is held against the input, so that the reason is clear. */
function alternatives(all: readonly Keywords[], by: string | undefined): Joi.Schema {
  if (all.every((one) => one.const !== undefined)) return Joi.valid(...all.map((one) => one.const));
  if (by === undefined) return Joi.alternatives(...all.map(converted));
  const names = all.map((one) => one.properties?.[by]?.const);
  return Joi.alternatives().conditional(`.${by}`, {
    switch: all.map((one, i) => ({ is: Joi.valid(names[i]), then: converted(one) })),
    otherwise: Joi.object({ [by]: Joi.valid(...names).required() }).unknown(true),
  });
}
