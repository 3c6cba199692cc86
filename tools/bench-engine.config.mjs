// The engine's benchmark as one script (`window.bench.measureEngine`).
import { join } from 'node:path';

export default {
  logLevel: 'warn',
  publicDir: false,
  build: {
    target: 'es2022',
    outDir: process.env['BENCH_OUT'],
    lib: {
      entry: join(import.meta.dirname, 'bench-engine.ts'),
      name: 'bench',
      formats: ['iife'],
      fileName: () => 'bench.js',
    },
  },
};
