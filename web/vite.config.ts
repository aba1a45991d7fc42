import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 900,
  },
  css: {
    preprocessorOptions: {
      // Bootstrap's own Sass still uses what newer Sass versions warn about.
      scss: {
        quietDeps: true,
        silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'jsdom',
    reporters: ['default', ['junit', { outputFile: 'target/surefire-reports/TEST-web.xml' }]],
  },
});
