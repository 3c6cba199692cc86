import { useEffect, useRef, type RefObject } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';

interface Keys {
  readonly view: CallView | undefined;
  readonly drawing: Drawing | undefined;
  /** The step chosen now; ahead of the view while the engine is still working. */
  readonly chosen: string | undefined;
  readonly setPhase: (phase: string) => void;
  readonly answer: (phase: string, answer: 'yes' | 'no' | 'unclear') => void;
  readonly undoNewest: () => void;
  readonly setHelp: (open: boolean) => void;
  readonly setRecording: (open: boolean) => void;
  readonly clearProbes: () => void;
  readonly entry: RefObject<HTMLInputElement | null>;
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
      const { view, drawing, chosen, setPhase, answer, undoNewest, setHelp, setRecording, clearProbes, entry } =
        latest.current;
      if (e.key === 'Escape') {
        setHelp(false);
        clearProbes();
        return;
      }
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, textarea, select, .ant-modal, dialog')) return;
      if (!view || !drawing) return;
      const here = chosen ?? view.at;
      const at = drawing.phases.findIndex((p) => p.id === here);
      const move = (by: number): void =>
        setPhase(drawing.phases[Math.min(drawing.phases.length - 1, Math.max(0, at + by))]!.id);
      const stepAnswer = STEP_KEYS[e.key];
      if (e.key === '?') setHelp(true);
      else if (e.key === 'n') document.querySelector<HTMLElement>('[data-next-field], [data-choice]')?.focus();
      else if (/^[1-9]$/.test(e.key)) document.querySelector<HTMLElement>(`[data-choice="${e.key}"]`)?.click();
      else if (e.key === 'j') move(1);
      else if (e.key === 'k') move(-1);
      else if (stepAnswer) {
        answer(here, stepAnswer);
        move(1);
      } else if (e.key === 'l') entry.current?.focus();
      else if (e.key === 'z') undoNewest();
      else if (e.key === 'b') setRecording(true);
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
