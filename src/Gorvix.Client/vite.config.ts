import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import vuetify from 'vite-plugin-vuetify'

export default defineConfig({
  plugins: [vue(), vuetify({ autoImport: true })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    environment: 'happy-dom',
    include: ['tests/**/*.test.ts'],
    // One page for all files: every test takes away what it has mounted, and a new page for each took half of the time.
    isolate: false,
    // Its style sheets are for the bundler: plain Node cannot load them.
    server: { deps: { inline: ['vuetify'] } },
  },
  build: {
    outDir: '../../artifacts/client',
    emptyOutDir: true,
    // Small files stay files: the content policy lets no data: script or font in.
    assetsInlineLimit: 0,
  },
})
