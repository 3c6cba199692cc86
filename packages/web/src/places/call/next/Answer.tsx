import { useRef } from 'react';
import type { InputRef } from 'antd';
import type { AnswerFormView, TestView } from '@zetalysis/core/presentation';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { Choices } from '../../../kit/Choices';
import { chosen } from './chosen';
import { Field } from './Field';
import { useEntry } from './use-entry';

interface Props<A extends AnswerFormView = AnswerFormView> {
  readonly title: string;
  readonly answer: A;
  readonly onBody: (body: EventBody) => void;
}

/** An answer with a field of its own, where the page's one field is not there: a tap, or what an instrument showed. */
export const Answer = ({ title, answer, onBody }: Props) =>
  answer.kind === 'choice' ? (
    <ToTap title={title} answer={answer} onBody={onBody} />
  ) : (
    <ToType title={title} answer={answer} onBody={onBody} />
  );

function ToType({ title, answer, onBody }: Props<Extract<AnswerFormView, { kind: 'reading' }>>) {
  const field = useRef<InputRef>(null);
  const entry = useEntry({ asked: answer, tapped: [], at: undefined, field }, ({ body }) => onBody(body));
  return <Field entry={entry} label={`Reading: ${title}`} asked={answer} />;
}

interface TapProps extends Props {
  readonly unclear?: TestView['unclear'];
  readonly onUnclear?: () => void;
}

/** What was seen, to be tapped. */
export const ToTap = ({ title, answer, onBody, unclear = [], onUnclear }: TapProps) =>
  answer.kind === 'choice' && (
    <Choices label={title}>
      {answer.options.map((o, i) => (
        <Button key={o.id} data-choice={i + 1} onClick={() => onBody(chosen(answer, o.id))}>
          {o.title}
        </Button>
      ))}
      {unclear.length > 0 && <Button onClick={onUnclear}>Cannot tell</Button>}
    </Choices>
  );
