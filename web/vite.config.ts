import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    react(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: 'script-defer',
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
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        runtimeCaching: [
          // A draft is the phone's own business, a picture and progress too large or too short-lived to keep.
          {
            urlPattern: ({ url }) => /\/api\/(.*\/draft|photos\/.*|jobs\/.*)$/.test(url.pathname),
            handler: 'NetworkOnly',
          },
          // What a walk cannot begin without is not waited for long where the signal is weak.
          {
            urlPattern: ({ url }) =>
              /^\/api\/(people|sites|sites\/\d+|sites\/\d+\/field)$/.test(url.pathname),
            handler: 'NetworkFirst',
            options: { cacheName: 'to-walk', networkTimeoutSeconds: 6, expiration: { maxEntries: 60 } },
          },
          // All else is shown as of earlier only when there is no signal at all: a slow answer is still the true one.
          {
            urlPattern: ({ url }) => url.pathname.startsWith('/api/'),
            handler: 'NetworkFirst',
            options: { cacheName: 'taken-along', expiration: { maxEntries: 400 } },
          },
        ],
      },
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
  server: { proxy: { '/api': 'http://127.0.0.1:8080' } },
  test: {
    environment: 'jsdom',
    reporters: ['default', ['junit', { outputFile: 'target/surefire-reports/TEST-web.xml' }]],
  },
});
