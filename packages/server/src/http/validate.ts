import type Joi from 'joi';
import { Problem } from './problem';

/** Checks input against a schema; what is wrong comes back as a list of places and reasons. */
export function validate<T>(schema: Joi.Schema<T>, input: unknown): T {
  const { value, error } = schema.validate(input, { abortEarly: false, convert: false });
  if (!error) return value as T;
  const errors = error.details
    .slice(0, 10)
    .map((d) => ({ place: d.path.join('.'), reason: d.message.replaceAll('"', "'") }));
  throw new Problem(
    400,
    'Not understood',
    `Correct this and send it again: ${errors.map((e) => e.reason).join('; ')}.`,
    { errors },
  );
}
