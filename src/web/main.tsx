import { ChakraProvider } from '@chakra-ui/react';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import '@fontsource-variable/vollkorn/wght.css';
import '@fontsource-variable/source-sans-3/wght.css';
import { NotFound } from './app/NotFound.tsx';
import { currentMode, showMode } from './theme/mode.ts';
import { system } from './theme/system.ts';
import { Boundary } from './ui/Boundary.tsx';
import { Opening, opened } from './ui/opened.tsx';

showMode(currentMode());

const Shelf = opened(() => import('./features/shelf/Shelf.tsx'), 'Shelf');
const Backups = opened(() => import('./features/shelf/Backups.tsx'), 'Backups');
const Project = opened(() => import('./app/Project.tsx'), 'Project');

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <BrowserRouter>
        <Boundary what="Woodbine" place="">
          <Opening>
            <Routes>
              <Route path="/" element={<Shelf />} />
              <Route path="/backups" element={<Backups />} />
              <Route path="/project/:id/*" element={<Project />} />
              <Route path="*" element={<NotFound />} />
            </Routes>
          </Opening>
        </Boundary>
      </BrowserRouter>
    </ChakraProvider>
  </StrictMode>,
);
