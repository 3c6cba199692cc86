import { useCallback, useEffect, useRef, useState } from 'react';
import type { Act, BenchState } from '@zetalysis/core/instruments';
import type { Drawing } from '@zetalysis/core/presentation';

export interface Hands {
  readonly state: BenchState | undefined;
  readonly drawing: Drawing | undefined;
  /** Why the last thing could not be done. */
  readonly problem: string | undefined;
  readonly connected: boolean;
  readonly act: (act: Act) => void;
}

/** Tried again after so long, milliseconds. */
const AGAIN = 1500;

/** The bench that runs behind this page: how it stands, and what is done there. */
export function useHands(): Hands {
  const [state, setState] = useState<BenchState>();
  const [drawing, setDrawing] = useState<Drawing>();
  const [problem, setProblem] = useState<string>();
  const [connected, setConnected] = useState(false);
  const socket = useRef<WebSocket>(undefined);
  useEffect(() => {
    let again: ReturnType<typeof setTimeout>;
    let over = false;
    const open = (): void => {
      const ws = new WebSocket(`ws://${location.host}/hands`);
      socket.current = ws;
      ws.onopen = () => setConnected(true);
      ws.onmessage = ({ data }: MessageEvent<string>) => {
        const said = JSON.parse(data) as
          { t: 'state'; state: BenchState } | { t: 'drawing'; drawing: Drawing } | { t: 'problem'; why: string };
        if (said.t === 'state') setState(said.state);
        else if (said.t === 'drawing') setDrawing(said.drawing);
        else setProblem(said.why);
      };
      ws.onclose = () => {
        setConnected(false);
        if (!over) again = setTimeout(open, AGAIN);
      };
    };
    open();
    return () => {
      over = true;
      clearTimeout(again);
      socket.current?.close();
    };
  }, []);
  const act = useCallback((what: Act) => {
    setProblem(undefined);
    if (socket.current?.readyState === WebSocket.OPEN) socket.current.send(JSON.stringify(what));
  }, []);
  return { state, drawing, problem, connected, act };
}
