import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  plugins: [
    react(),
    // What did not change is not drawn again, without a word about it in the source.
    babel({ presets: [reactCompilerPreset()] }),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectRegister: false,
      manifest: false,
      // The page itself has a nonce of its own at every answer: it is kept as it was answered, not as it was built.
      injectManifest: {
        globPatterns: ['assets/**/*.{js,css,woff2}', '*.svg'],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
  ],
  worker: { format: 'es' },
  server: { proxy: { '/api': process.env['API'] ?? 'http://127.0.0.1:4180' } },
  build: {
    target: 'es2022',
    sourcemap: false,
    chunkSizeWarningLimit: 1500,
    assetsInlineLimit: 0,
    manifest: true,
    // The app, and the page of the simulated instruments, which another process serves.
    rolldownOptions: { input: ['index.html', 'meter.html'] },
  },
});
