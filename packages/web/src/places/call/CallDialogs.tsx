import { lazy, Suspense } from 'react';
import type { CallView, Drawing } from '@zetalysis/core/presentation';
import type { TestingStandard } from '@zetalysis/core/standards';
import type { BreakRecord, EventBody } from '@zetalysis/core/visit';
import type { EngineState } from '../../engine/use-engine';
import { Waiting } from '../../kit/Waiting';
import type { CallLog } from '../../store/use-call';

// Loaded when one is first needed.
const RecordBreak = lazy(() => import('./RecordBreak'));
const Triage = lazy(() => import('./Triage'));
const KeysHelp = lazy(() => import('./KeysHelp'));
const StandardDialog = lazy(() => import('./StandardDialog'));
const SayWhatIs = lazy(() => import('./rules/SayWhatIs'));
const MeterLogDialog = lazy(() => import('./MeterLogDialog'));
const SwapDialog = lazy(() => import('./SwapDialog'));
const EndCall = lazy(() => import('./rules/EndCall'));

export type DialogName = 'record' | 'triage' | 'standard' | 'keys' | 'danger' | 'end' | 'log' | 'swap';

interface Props {
  readonly open: DialogName | undefined;
  readonly log: CallLog;
  readonly engine: EngineState;
  readonly drawing: Drawing;
  readonly view: CallView;
  readonly standard: TestingStandard;
  readonly onStandard: (change: Partial<TestingStandard>) => void;
  readonly onBody: (body: EventBody) => void;
  readonly onClose: () => void;
}

/** The dialogs of the call page; one at a time. */
export const CallDialogs = (props: Props) => (
  <Suspense fallback={<Waiting>One moment…</Waiting>}>
    <Opened {...props} />
  </Suspense>
);

function Opened({ open, log, engine, drawing, view, standard, onStandard, onBody, onClose }: Props) {
  const titleOf = (part: string): string => drawing.parts.find((p) => p.id === part)?.title ?? part;
  const record = async (given: Omit<BreakRecord, 'advice'>): Promise<void> =>
    log.append({ type: 'break-recorded', ...given, title: titleOf(given.part), advice: await engine.advice() });
  switch (open) {
    case 'record':
      return <RecordBreak drawing={drawing} view={view} onRecord={record} onClose={onClose} />;
    case 'triage':
      return <Triage drawing={drawing} view={view} tests={engine.tests} onBody={onBody} onClose={onClose} />;
    case 'standard':
      return <StandardDialog standard={standard} onChange={onStandard} onClose={onClose} />;
    case 'danger':
      return <SayWhatIs onBody={onBody} onClose={onClose} />;
    case 'end':
      return <EndCall setup={view.setup} needed={view.needed} onBody={onBody} onClose={onClose} />;
    case 'log':
      return <MeterLogDialog drawing={drawing} engine={engine} onBody={onBody} onClose={onClose} />;
    case 'swap':
      return <SwapDialog drawing={drawing} view={view} engine={engine} onBody={onBody} onClose={onClose} />;
    case 'keys':
      return <KeysHelp cautions={drawing.cautions} onClose={onClose} />;
    case undefined:
      return null;
  }
}
