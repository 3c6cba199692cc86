import type { InputRef } from 'antd';
import { useEffect, useRef, type RefObject } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { DialogName } from './CallDialogs';

interface Keys {
  readonly view: CallView;
  readonly drawing: Drawing;
  /** The step chosen now; ahead of the view while the engine is still working. */
  readonly chosen: string | undefined;
  readonly setPhase: (phase: string) => void;
  readonly answer: (phase: string, answer: 'yes' | 'no' | 'unclear') => void;
  readonly takeBackNewest: () => void;
  readonly setDialog: (name: DialogName | undefined) => void;
  readonly setProbes: (probes: readonly string[]) => void;
  readonly entry: RefObject<InputRef | null>;
}

const STEP_KEYS: Readonly<Record<string, 'yes' | 'no' | 'unclear'>> = { y: 'yes', x: 'no', u: 'unclear' };

/** Single-letter keys of the call page; silent while something is being typed. */
export function useKeys(keys: Keys): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      const { view, drawing, chosen, setPhase, answer, takeBackNewest, setDialog, setProbes, entry } = latest.current;
      if (e.key === 'Escape') return setProbes([]);
      const target = e.target as HTMLElement;
      // A stop holds every other proposal.
      if (document.querySelector('[data-stop]')) return;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, textarea, [role="dialog"]')) return;
      const here = chosen ?? view.at;
      const at = drawing.phases.findIndex((p) => p.id === here);
      const move = (by: number): void =>
        setPhase(drawing.phases[Math.min(drawing.phases.length - 1, Math.max(0, at + by))]!.id);
      const stepAnswer = STEP_KEYS[e.key];
      if (e.key === '?') setDialog('keys');
      else if (e.key === 'n') document.querySelector<HTMLElement>('[data-next-field], [data-choice]')?.focus();
      else if (/^[1-9]$/.test(e.key)) document.querySelector<HTMLElement>(`[data-choice="${e.key}"]`)?.click();
      else if (e.key === 'j') move(1);
      else if (e.key === 'k') move(-1);
      else if (stepAnswer) {
        answer(here, stepAnswer);
        move(1);
      } else if (e.key === 'l') entry.current?.focus();
      else if (e.key === 'z') takeBackNewest();
      else if (e.key === 'b') setDialog('record');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
