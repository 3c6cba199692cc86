import '../theme/fonts.css';
import '../theme/tokens.css';
import '../theme/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { SimulatedBench } from './SimulatedBench';

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <SimulatedBench />
  </StrictMode>,
);
