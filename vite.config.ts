import react from '@vitejs/plugin-react';
import { type BuildEnvironmentOptions, defineConfig } from 'vite';

const port = Number(process.env.PORT ?? 4870);

const SERVER: BuildEnvironmentOptions = {
  target: 'node20',
  emptyOutDir: true,
  rollupOptions: {
    input: {
      main: 'src/server/main.ts',
      'import-worker': 'src/server/import/worker.ts',
      'work-worker': 'src/server/work/worker.ts',
      'backup-worker': 'src/server/backup/worker.ts',
    },
  },
};

const WEB: BuildEnvironmentOptions = {
  outDir: '../../dist/web',
  emptyOutDir: true,
  rollupOptions: {
    input: { index: 'src/web/index.html', sw: 'src/web/sw.ts' },
    // The service worker is asked for by its name.
    output: { entryFileNames: (c) => (c.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js') },
  },
};

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [react()],
  root: isSsrBuild ? '.' : 'src/web',
  publicDir: isSsrBuild ? false : 'static',
  worker: { format: 'es' },
  build: isSsrBuild ? SERVER : WEB,
  server: {
    port: port + 1,
    strictPort: true,
    proxy: { '/api': { target: `http://127.0.0.1:${port}`, changeOrigin: true } },
  },
}));
