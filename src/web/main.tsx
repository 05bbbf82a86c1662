import { ChakraProvider } from '@chakra-ui/react';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter, Route, Routes } from 'react-router';
import '@fontsource-variable/vollkorn/wght.css';
import '@fontsource-variable/source-sans-3/wght.css';
import { Boundary } from './parts/Boundary.tsx';
import { Opening, opened } from './parts/opened.tsx';
import { NotFound } from './screens/NotFound.tsx';
import { currentMode, showMode } from './theme/mode.ts';
import { system } from './theme/system.ts';

showMode(currentMode());

const Shelf = opened(() => import('./screens/Shelf.tsx'), 'Shelf');
const Backups = opened(() => import('./screens/Backups.tsx'), 'Backups');
const Project = opened(() => import('./screens/Project.tsx'), 'Project');

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
