import { readMeterLog, type MeterLog } from '@zetalysis/core/analysis';
import { expose, transfer } from 'comlink';

const api = {
  /** Reads the file of a logging meter; its columns are handed over, not copied. */
  read(text: string, onProgress: (share: number) => void): MeterLog {
    const log = readMeterLog(text, onProgress);
    return transfer(log, [log.time.buffer, ...log.columns.map((c) => c.values.buffer)]);
  },
};

export type LogApi = typeof api;
expose(api);
