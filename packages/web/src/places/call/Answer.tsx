import type { CallView, TestView } from '@zetalysis/core/presentation';
import { answered } from '@zetalysis/core/question';
import type { Dimension } from '@zetalysis/core/units';
import { type EventBody, setupEntry } from '@zetalysis/core/visit';
import { Button } from '../../kit/Button';
import { Choices } from '../../kit/Choices';
import { Pad } from '../../kit/Pad';
import { ReadingField } from '../../kit/ReadingField';
import { chosen } from './chosen';
import { useReading } from './use-reading';

interface Props {
  readonly test: Pick<TestView, 'title' | 'answer' | 'setup' | 'unclear'>;
  readonly view: CallView;
  readonly onEvents: (bodies: readonly EventBody[]) => void;
}

/** The answer of a test: a tap on what was seen, or what an instrument showed. */
export function Answer({ test, view, onEvents }: Props) {
  const { answer } = test;
  // What was unplugged or bypassed for the test is put back after its answer.
  const send = (body: EventBody): void =>
    onEvents(test.setup ? [setupEntry(test.setup), body, setupEntry(view.setup)] : [body]);
  const reading = useReading((text) => answered<EventBody>(answer, text), send);
  if (answer.kind === 'choice')
    return (
      <Choices label={test.title}>
        {answer.options.map((o, i) => (
          <Button key={o.id} data-choice={i + 1} onClick={() => send(chosen(answer, o.id))}>
            {o.title}
          </Button>
        ))}
        {test.unclear.length > 0 && (
          <Button onClick={() => onEvents(test.unclear.map((m) => ({ type: 'fact', ...m })))}>Cannot tell</Button>
        )}
      </Choices>
    );
  return (
    <ReadingField
      label={`Reading: ${test.title}`}
      text={reading.text}
      placeholder={PLACEHOLDER[answer.dimension] ?? ''}
      problem={reading.problem}
      field={reading.field}
      main
      onText={reading.setText}
      onEnter={reading.enter}
    >
      <Pad
        open={answer.dimension === 'resistance'}
        units={UNITS[answer.dimension] ?? []}
        text={reading.text}
        onText={reading.setText}
      />
    </ReadingField>
  );
}

/** The first one is meant where none is typed. */
const UNITS: Partial<Readonly<Record<Dimension, readonly string[]>>> = {
  voltage: ['V', 'mV'],
  resistance: ['Ω', 'kΩ', 'MΩ'],
  current: ['A', 'mA', 'µA'],
  pressure: ['inwc', 'psi'],
  time: ['s', 'min'],
};

const PLACEHOLDER: Partial<Readonly<Record<Dimension, string>>> = {
  voltage: '24.6 or 15-18',
  resistance: '15.4  ·  1.85k  ·  OL',
  pressure: '0.6 inwc',
  current: '3.2uA',
  time: '4.5 s',
};
