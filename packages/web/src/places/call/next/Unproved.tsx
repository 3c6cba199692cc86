import type { AnswerFormView, CallView } from '@zetalysis/core/presentation';
import { METER_AFTER, type Need, needOf, unmet } from '@zetalysis/core/rules';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { NeedFirst } from '../rules/NeedFirst';
import { type Rules, useRules } from '../rules/use-rules';
import { ToTap } from './Answer';
import { Field } from './Field';
import { Sheet } from './Sheet';
import type { TypedEntry } from './use-entry';

type Lacking = NonNullable<CallView['unproved']>;

interface Props {
  readonly unproved: Lacking;
  readonly view: CallView;
  readonly entry: TypedEntry;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
  readonly onLeave: () => void;
}

/** A reading was taken without what it needs: it is kept, and asked for again after that. */
export function Unproved({ unproved, view, entry, onEvents, onLeave }: Props) {
  const rules = useRules();
  const { title, answer, wanted, words } = unproved;
  const need = firstLacking(unproved, rules);
  return (
    <Sheet says={`Kept, and proves nothing yet: ${words}.`}>
      {need ? (
        <NeedFirst
          key={need.id}
          need={need}
          of={wanted.of}
          setup={view.setup}
          onEvents={onEvents}
          onDecline={onLeave}
        />
      ) : (
        <p>Now read it again: {title}.</p>
      )}
      {!need && <ToTap title={title} answer={answer} onBody={(body) => onEvents([body])} />}
      <Field entry={entry} label={`Reading: ${title}`} asked={toReadAgain(unproved, rules)} />
      <Button tone="quiet" onClick={onLeave}>
        Leave it
      </Button>
    </Sheet>
  );
}

/** What has to be met before it is read again. */
function firstLacking({ needs, wanted: { of } }: Lacking, { followed }: Rules): Need | undefined {
  // Nothing on line voltage: the meter is proved once more, whatever it was before.
  if (needs.includes(METER_AFTER) && needs.length === 1) return needOf('meter');
  return unmet(
    needs.filter((id) => id !== METER_AFTER),
    followed,
    of,
  )[0];
}

/** What a bare number in the field answers: the reading itself, once it lacks nothing. */
export const toReadAgain = (
  unproved: Lacking,
  rules: Rules,
): Extract<AnswerFormView, { kind: 'reading' }> | undefined =>
  unproved.answer.kind === 'reading' && !firstLacking(unproved, rules) ? unproved.answer : undefined;
