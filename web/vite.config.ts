import { fileURLToPath } from 'node:url'
import { constants } from 'node:zlib'
import react from '@vitejs/plugin-react'
import { defineConfig, normalizePath, type Plugin } from 'vite'
import { compression, defineAlgorithm } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'
import { antStyles } from './antStyles.js'
import { version } from './package.json'

/** The faces of most of the text and of digits are asked for with the page, so that no line is set anew when they arrive. */
const preloadFace: Plugin = {
  name: 'preload-face',
  apply: 'build',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle = {} }) =>
      Object.keys(bundle)
        .filter((file) =>
          /(atkinson-hyperlegible-next-latin-(400|700)|noto-sans-latin-400)-normal-.*\.woff2$/.test(file),
        )
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' },
          injectTo: 'head' as const,
        })),
  },
}

interface Graph {
  getModuleInfo(id: string): { readonly importedIds: readonly string[] } | null
}

let needs: Set<string> | undefined

/** The modules of this folder without which the bench cannot be drawn. */
function benchNeeds(graph: Graph): ReadonlySet<string> {
  if (needs) return needs
  const waiting = [normalizePath(fileURLToPath(new URL('src/bench/Bench.tsx', import.meta.url)))]
  needs = new Set(waiting)
  for (let id = waiting.pop(); id !== undefined; id = waiting.pop())
    for (const next of graph.getModuleInfo(id)?.importedIds ?? [])
      if (next.includes('/web/src/') && !needs.has(next)) {
        needs.add(next)
        waiting.push(next)
      }
  return needs
}

/** Of eleven: the last two take eight times as long for a twelfth less. */
const BROTLI = defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } })

/** What practice does without is fetched when it is wanted, and kept from then on. */
const WANTED_SELDOM = [
  '**/Plot-*',
  '**/pdf*',
  '**/simulate*',
  '**/SimulatePage-*',
  // But the faces of digits.
  '**/noto-sans-!(latin-[46])*',
  '**/roboto-*',
]

export default defineConfig({
  plugins: [
    react(),
    antStyles(fileURLToPath(new URL('src', import.meta.url))),
    preloadFace,
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      includeAssets: ['icon.svg', 'light.js', 'apple-touch-icon.png'],
      manifest: {
        name: 'Tachymetra',
        short_name: 'Tachymetra',
        description: 'A coach for mental and abacus arithmetic.',
        lang: 'en',
        start_url: '/',
        display: 'standalone',
        theme_color: '#26303a',
        background_color: '#f5eee2',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,woff2}'],
        globIgnores: WANTED_SELDOM,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            urlPattern: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/assets/'),
            handler: 'CacheFirst',
            options: { cacheName: 'wanted-seldom', expiration: { maxEntries: 60 } },
          },
        ],
      },
    }),
    compression({ include: /\.(js|css|html|svg|webmanifest)$/, algorithms: ['gzip', BROTLI] }),
  ],
  define: { __VERSION__: JSON.stringify(version) },
  // The core is taken from its sources, so that hot reload reaches it too.
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  build: {
    chunkSizeWarningLimit: 1600,
    sourcemap: false,
    rolldownOptions: {
      output: {
        // What every page needs in two files, and what the bench needs besides in a third, rather than in eighty: each costs a
        // request.
        codeSplitting: {
          groups: [
            { name: 'libraries', test: /node_modules/, tags: ['$initial'], priority: 2 },
            { name: 'base', tags: ['$initial'], priority: 1 },
            {
              name: (id, graph) => (benchNeeds(graph).has(id) ? 'practice' : null),
              debugName: 'practice',
              includeDependenciesRecursively: false,
            },
          ],
        },
      },
    },
  },
  server: {
    host: '127.0.0.1',
    port: 4173,
    strictPort: true,
    proxy: { '/api': { target: 'http://127.0.0.1:4174', changeOrigin: true } },
  },
})
