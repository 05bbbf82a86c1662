import { ChakraProvider } from '@chakra-ui/react';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import '@fontsource-variable/vollkorn/wght.css';
import '@fontsource-variable/source-sans-3/wght.css';
import { NotFound } from './app/NotFound.tsx';
import { Backups, fetchFor, PracticePage, Project, Shelf, Wardrobe } from './app/pages.ts';
import { StashDoor } from './app/StashDoor.tsx';
import { currentMode, showMode } from './theme/mode.ts';
import { system } from './theme/system.ts';
import { Boundary } from './ui/Boundary.tsx';
import { Opening } from './ui/opened.tsx';

showMode(currentMode());

// All that the first page asks for is on its way while the frame is drawn; what can't be fetched is told where it would stand.
void fetchFor(window.location.pathname).catch(() => undefined);

// Kept at hand for when there is no way to it; only where the browser lets it, which is on this machine or over an encrypted way.
if (import.meta.env.PROD && 'serviceWorker' in navigator)
  window.addEventListener('load', () => void navigator.serviceWorker.register('/sw.js').catch(() => undefined));

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <BrowserRouter>
        <Boundary what="Woodbine" place="">
          <Opening>
            <Routes>
              <Route path="/" element={<Shelf />} />
              <Route path="/backups" element={<Backups />} />
              <Route path="/wardrobe" element={<Wardrobe />} />
              <Route path="/practice" element={<PracticePage />} />
              <Route path="/stash" element={<StashDoor />} />
              <Route path="/project/:id/*" element={<Project />} />
              <Route path="*" element={<NotFound />} />
            </Routes>
          </Opening>
        </Boundary>
      </BrowserRouter>
    </ChakraProvider>
  </StrictMode>,
);
