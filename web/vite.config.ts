import { gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import type { Plugin } from 'vite';
import { defineConfig } from 'vitest/config';

/** What people begin with. */
const FIRST_VIEWS = ['TodayView', 'OrchardView', 'WalkPicker', 'TreePage'];

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
      const all = (file: string, found = new Set<string>()): Set<string> => {
        const chunk = chunks.find((one) => one.fileName === file);
        if (chunk && chunk !== main && !main.imports.includes(file) && !found.has(file)) {
          found.add(file);
          chunk.imports.forEach((next) => all(next, found));
        }
        return found;
      };
      const views = FIRST_VIEWS.map(
        (name) => name + '=' + [...all(chunks.find((one) => one.name === name)!.fileName)].join(','),
      );
      return html.replace('src="/early.js"', 'src="/early.js" data-views="' + views.join(' ') + '"');
    },
  },
});

/** What is used at once is read at once, while it still comes: read function by function it keeps a slow phone twice as long. */
const READ_AT_ONCE = '//# allFunctionsCalledOnLoad\n';
const readAtOnce = (): Plugin => ({
  name: 'read-at-once',
  apply: 'build',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      for (const chunk of Object.values(bundle))
        if (
          chunk.type === 'chunk' &&
          (chunk.isEntry || chunk.name === 'shared' || FIRST_VIEWS.includes(chunk.name))
        )
          chunk.code = READ_AT_ONCE + chunk.code;
    },
  },
});

/** Lays each file also packed, as small as it gets: packing it anew for each phone takes the server longer than all else of a first page. */
const packed = (): Plugin => ({
  name: 'packed',
  apply: 'build',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      for (const { fileName, ...file } of Object.values(bundle)) {
        if (!/\.(js|css)$/.test(fileName)) continue;
        const plain = Buffer.from(file.type === 'chunk' ? file.code : file.source);
        this.emitFile({ type: 'asset', fileName: fileName + '.gz', source: gzipSync(plain, { level: 9 }) });
      }
    },
  },
});

export default defineConfig({
  plugins: [
    react(),
    firstViews(),
    readAtOnce(),
    packed(),
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
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            // What every page begins with comes in one file, and what many share in another: each file more is a question
            // more, and dear on a slow phone.
            { name: 'begin', tags: ['$initial'], priority: 2 },
            {
              name: 'shared',
              minShareCount: 2,
              includeDependenciesRecursively: false,
              test: /react-bootstrap\/esm\/ProgressBar|\/src\/(vocabulary\/|parts\/(May|State|useAskOnce)|today\/TodayBoard|crew\/DayRow|wood\/(GradeBox|RemovalRegister)|orchard\/(SitePlan|planMarks|planView|useMoved|Welcome)|[a-z]+\/([a-zA-Z]*[qQ]ueries|orchard|jobs|layers)\.)/,
            },
          ],
        },
      },
    },
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
