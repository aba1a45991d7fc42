import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/**
 * Tells public/early.js which files the views need that people begin with, so that they are fetched beside the
 * application and not after it.
 */
const firstViews = (): Plugin => ({
  name: 'first-views',
  transformIndexHtml: {
    order: 'post',
    handler(html, { bundle }) {
      if (!bundle) return html;
      const chunks = Object.values(bundle).filter((one) => one.type === 'chunk');
      const main = chunks.find((one) => one.isEntry)!;
      const views = ['TodayView', 'OrchardView', 'WalkPicker', 'TreePage'].map((name) => {
        const view = chunks.find((one) => one.name === name)!;
        const files = [view.fileName, ...view.imports].filter(
          (file) => file !== main.fileName && !main.imports.includes(file),
        );
        return name + '=' + files.join(',');
      });
      return html.replace('src="/early.js"', 'src="/early.js" data-views="' + views.join(' ') + '"');
    },
  },
});

export default defineConfig({
  plugins: [
    react(),
    firstViews(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      manifest: {
        name: 'Diligent Bough',
        short_name: 'Bough',
        description: 'Assess, plan and renovate the fruit trees of an orchard.',
        start_url: '/',
        display: 'standalone',
        background_color: '#f6f1e4',
        theme_color: '#33261d',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      // The worker is our own: it also sends what waits on the phone.
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'worker.ts',
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,woff2}'] },
    }),
  ],
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
  server: {
    // Tests hold forms against the published API document.
    fs: { allow: ['..'] },
    proxy: { '/api': 'http://127.0.0.1:8080' },
  },
  test: {
    environment: 'jsdom',
    maxWorkers: '100%',
    // Machines that do other work meanwhile are slow, not wrong.
    testTimeout: 20_000,
    setupFiles: ['src/testing/setup.ts'],
    reporters: ['default', ['junit', { outputFile: 'target/surefire-reports/TEST-web.xml' }]],
  },
});
