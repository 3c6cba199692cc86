import * as t from '@sinclair/typebox';

// Lengths are declared here and are the columns'.

/** A text of somebody's, without blanks at its ends. */
export const trimmed = (maxLength: number, minLength = 0) => t.String({ minLength, maxLength, trimmed: true });

export const nullable = <S extends t.TSchema>(schema: S) => t.Union([schema, t.Null()]);

/** A moment, as JSON has it. */
export const moment = t.String({ format: 'date-time', maxLength: 40 });
