import react from '@vitejs/plugin-react'
import { defineConfig } from 'vite'
import { version } from './package.json'

export default defineConfig({
  // Every text passes there on its way to the page, to be written as numbers are written in this browser.
  plugins: [react({ jsxImportSource: '#written' })],
  define: { __VERSION__: JSON.stringify(version) },
  // The core is taken from its sources, so that hot reload reaches it too.
  resolve: { conditions: ['source', 'module', 'browser', 'development|production'] },
  build: { chunkSizeWarningLimit: 1600, sourcemap: false },
  server: {
    host: '127.0.0.1',
    port: 4173,
    strictPort: true,
    proxy: { '/api': { target: 'http://127.0.0.1:4174', changeOrigin: true } },
  },
})
