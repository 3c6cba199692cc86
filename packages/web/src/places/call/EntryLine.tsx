import { useState, type RefObject } from 'react';
import type { Drawing } from '@zetalysis/core/presentation';
import { type EventBody, parseEntryLine } from '@zetalysis/core/visit';
import type { Wires } from '@zetalysis/contract';
import { withNetNames } from '../../diagrams/wire-names';

interface Props {
  readonly drawing: Drawing;
  /** Names this machine has for its points: they may be typed as well. */
  readonly wires: Wires;
  readonly at: string;
  readonly phaseTitle: string;
  /** What tapping on the ladder has put together so far. */
  readonly probes: string;
  readonly field: RefObject<HTMLInputElement | null>;
  readonly onBody: (body: EventBody) => void;
  readonly onClear: () => void;
}

/** A line such as `15.4V MV C`: value, red probe, black probe. Tapping the ladder fills in the probes. */
export function EntryLine({ drawing, wires, at, phaseTitle, probes, field, onBody, onClear }: Props) {
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string>();
  const submit = (e: React.FormEvent): void => {
    e.preventDefault();
    const parsed = parseEntryLine(drawing.words, `${withNetNames(text, wires, drawing.words.nets)} ${probes}`, at);
    if (!parsed.ok) return setProblem(parsed.message);
    setText('');
    setProblem(undefined);
    onClear();
    onBody(parsed.value);
  };
  return (
    <form className="entry" onSubmit={submit}>
      <label>
        <span>
          {probes === '' ? 'Reading' : <strong>{probes}</strong>}
          <span className="hidden"> at the step {phaseTitle}</span>
        </span>
        <input
          ref={field}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(undefined);
          }}
          placeholder={probes === '' ? '15.4V MV C   or tap a point' : 'value'}
          aria-invalid={problem !== undefined}
          autoComplete="off"
          enterKeyHint="send"
        />
      </label>
      <button type="submit">Enter</button>
      <select
        value=""
        aria-label="Look or measure"
        onChange={(e) => {
          const [kind, subject, answer] = e.target.value.split(' ') as [string, string, string | undefined];
          if (kind === 'look') return onBody({ type: 'look', look: subject, answer: answer! });
          setText(`${subject} `);
          field.current?.focus();
        }}
      >
        <option value="">Look, measure…</option>
        <optgroup label="Measure">
          {drawing.gauges.map((g) => (
            <option key={g.id} value={`gauge ${g.id}`}>
              {g.title}
            </option>
          ))}
        </optgroup>
        {drawing.looks.map((l) => (
          <optgroup key={l.id} label={l.ask}>
            {l.answers.map((a) => (
              <option key={a.id} value={`look ${l.id} ${a.id}`}>
                {a.title}
              </option>
            ))}
          </optgroup>
        ))}
      </select>
      {probes !== '' && (
        <button type="button" className="quiet" onClick={onClear}>
          clear
        </button>
      )}
      {problem !== undefined && (
        <p role="alert" className="problem">
          {problem}
        </p>
      )}
    </form>
  );
}
