import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const port = Number(process.env.PORT ?? 4870);

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [react()],
  root: isSsrBuild ? '.' : 'src/web',
  publicDir: false,
  worker: { format: 'es' },
  build: isSsrBuild
    ? {
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
      }
    : { outDir: '../../dist/web', emptyOutDir: true },
  server: {
    port: port + 1,
    strictPort: true,
    proxy: { '/api': { target: `http://127.0.0.1:${port}`, changeOrigin: true } },
  },
}));
