import './theme/fonts.css';
import './theme/tokens.css';
import './theme/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './app/App';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

// A file of this version is gone from the server, and nobody kept it: the page of the new version has files of its own.
window.addEventListener('vite:preloadError', () => location.reload());

// Keeps the app's own files for a reload without the server. Not while developing: files change there.
if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');
