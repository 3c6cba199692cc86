import { InputNumber } from 'antd';
import { useState } from 'react';
import type { TestView } from '@zetalysis/core/presentation';
import { type AnswerBody, withMoment } from '@zetalysis/core/question';
import { inSeconds, type Millis } from '@zetalysis/core/units';
import type { EventBody } from '@zetalysis/core/visit';
import { Button } from '../../../kit/Button';
import { clock } from '../../../kit/clock';
import { useNow } from '../../../kit/use-now';
import { useWatch } from '../use-watch';
import styles from './SoFar.module.css';

/** Nobody waits longer than this for one step, minutes. */
const LONGEST = 24 * 60;

/** How long after the call for heat a test is answered, minutes; nothing while it was watched to its end. */
export function useSoFar(
  call: string,
  { id, early }: Pick<TestView, 'id' | 'early'>,
): [number | undefined, (minutes: number | undefined) => void] {
  const [watch] = useWatch(call);
  const [said, say] = useState<{ readonly test: string; readonly minutes: number | undefined }>();
  const now = useNow(watch && early ? 1000 : undefined);
  // While a try is watched, its clock says how far it is.
  const minutes = said?.test === id ? said.minutes : watch && minutesOf(now - watch.start);
  return [early ? minutes : undefined, (next) => say({ test: id, minutes: next })];
}

const minutesOf = (time: Millis): number => Math.max(0.1, Math.round(inSeconds(time) / 6) / 10);

/** What was seen, with its moment. */
export const atMoment = (body: EventBody, minutes: number | undefined): EventBody =>
  minutes === undefined ? body : (withMoment(body as AnswerBody, Math.round(60 * minutes)) ?? body);

interface Props {
  readonly minutes: number | undefined;
  readonly onMinutes: (minutes: number | undefined) => void;
}

/** Nobody has to wait to the end: then it is a fact about so many minutes, and no more. */
export const StillRuns = ({ onMinutes }: Pick<Props, 'onMinutes'>) => (
  <Button tone="quiet" title="You have not waited to the end: say how long so far." onClick={() => onMinutes(2)}>
    Still runs
  </Button>
);

/** How long after the call it is, for who has not waited to the end. */
export function SoFar({ minutes, onMinutes }: Props) {
  if (minutes === undefined) return null;
  return (
    <p className={styles.soFar} role="group" aria-label="So far">
      So far, after
      <InputNumber
        aria-label="Minutes after the call"
        value={minutes}
        min={0.1}
        max={LONGEST}
        step={0.5}
        onChange={(value) => value !== null && onMinutes(value)}
      />
      min
      <Button tone="quiet" onClick={() => onMinutes(undefined)}>
        To the end
      </Button>
    </p>
  );
}

/** It was asked too early: until when it is too early still, and that other tests fit into the wait. */
export function TooEarly({ until }: { readonly until: number }) {
  const left = until - useNow(1000);
  return (
    <p className={styles.tooEarly} data-too-early>
      {left > 0 ? (
        <>
          Wait <strong>{clock(left)}</strong>, then look again. Other tests fit in meanwhile.
        </>
      ) : (
        'It should have come by now: look again.'
      )}
    </p>
  );
}
