import react from '@vitejs/plugin-react';
import { type BuildEnvironmentOptions, defineConfig, type UserConfig } from 'vite';
import { input, shared } from './scripts/chunks.ts';

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

const web = async (): Promise<BuildEnvironmentOptions> => ({
  outDir: '../../dist/web',
  emptyOutDir: true,
  rollupOptions: {
    input,
    output: {
      // The service worker is asked for by its name.
      entryFileNames: (c) => (c.name === 'sw' ? 'sw.js' : 'assets/[name]-[hash].js'),
      codeSplitting: await shared(),
    },
  },
});

export default defineConfig(
  async ({ isSsrBuild, command }): Promise<UserConfig> => ({
    plugins: [react()],
    root: isSsrBuild ? '.' : 'src/web',
    publicDir: isSsrBuild ? false : 'static',
    worker: { format: 'es' },
    // The server is one with the packages it uses, of which it then reads only what it needs: it starts in three quarters of the
    // time it took. Those that bring files of their own stay where they are.
    ssr: { noExternal: true, external: ['@electric-sql/pglite', 'pdfjs-dist', 'pg', 'sharp'] },
    build: isSsrBuild ? SERVER : command === 'build' ? await web() : {},
    server: {
      port: port + 1,
      strictPort: true,
      proxy: { '/api': { target: `http://127.0.0.1:${port}`, changeOrigin: true } },
    },
  }),
);
