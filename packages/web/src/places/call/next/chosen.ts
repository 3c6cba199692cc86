import type { AnswerFormView } from '@zetalysis/core/presentation';
import { answered } from '@zetalysis/core/question';
import type { EventBody } from '@zetalysis/core/visit';

/** The entry that a tapped choice amounts to. The choices are the form's own, so that there always is one. */
export function chosen(form: AnswerFormView, id: string): EventBody {
  const read = answered<EventBody>(form, id);
  if (!read.ok) throw new RangeError(read.message);
  return read.value;
}
