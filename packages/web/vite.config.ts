import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  server: { proxy: { '/api': process.env['API'] ?? 'http://127.0.0.1:4180' } },
  build: { target: 'es2022', sourcemap: false, chunkSizeWarningLimit: 1500, assetsInlineLimit: 0, manifest: true },
});
